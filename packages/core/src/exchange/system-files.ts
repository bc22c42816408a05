import { z } from 'zod';
import { ruleSchema, rungSchema, systemSchema, type Rule, type System } from '../ladder';
import { err, ok, type Result } from '../result';
import { csvNumber, readCsv, writeCsv, type CsvIssue, type CsvRowIssue } from './csv-table';

export const systemFileSchema = z.object({
  format: z.literal('holvek.system'),
  version: z.literal(1),
  system: systemSchema,
});
export const systemFile = (system: System): z.infer<typeof systemFileSchema> => ({
  format: 'holvek.system',
  version: 1,
  system,
});

const columns = [
  'row',
  'id',
  'name',
  'kind',
  'fed_by',
  'open_when',
  'tolerance_pa',
  'lockup_fraction',
  'lockup_least_pa',
  'accumulation_pa',
  'found_pa',
  'valve_id',
  'adjuster',
  'rung',
  'other',
  'pa',
  'most_pa',
  'counts_lockup',
  'counts_accumulation',
  'loss_pa',
  'rise_m',
  'lowest_rating_pa',
  'drop_m',
  'density_kgm3',
  'from',
  'why',
] as const;
const required = ['row', 'id', 'kind'] as const;
type Cells = Partial<Record<(typeof columns)[number], string | number | boolean | undefined>>;

/** A system as CSV: a row for each rung, then a row for each rule. */
export function writeSystemCsv({ rungs, rules }: Pick<System, 'rungs' | 'rules'>): string {
  const rows: Cells[] = [
    ...rungs.map(({ lockup, ...rung }): Cells => ({
      row: 'rung',
      ...rung,
      lockup_fraction: lockup?.fraction,
      lockup_least_pa: lockup?.least_pa,
    })),
    ...rules.map((rule): Cells => ({ row: 'rule', ...ruleCells(rule) })),
  ];
  return writeCsv(
    columns,
    rows.map((cells) =>
      columns.map((column) => (cells[column] === undefined ? null : String(cells[column]))),
    ),
  );
}

function ruleCells(rule: Rule): Cells {
  const { id, kind, why, from } = rule;
  const base = { id, kind, why, from };
  switch (rule.kind) {
    case 'above_by':
      return {
        ...base,
        rung: rule.high,
        other: rule.low,
        pa: rule.by_pa,
        counts_lockup: rule.counts_lockup,
        counts_accumulation: rule.counts_accumulation,
      };
    case 'between':
      return {
        ...base,
        rung: rule.rung,
        other: rule.base,
        pa: rule.least_pa,
        most_pa: rule.most_pa,
      };
    case 'at_most':
      return {
        ...base,
        rung: rule.rung,
        pa: rule.pa,
        counts_lockup: rule.counts_lockup,
        counts_accumulation: rule.counts_accumulation,
      };
    case 'serves': {
      const { need_pa: pa, ...sum } = rule.sum;
      return { ...base, rung: rule.rung, pa, ...sum, density_kgm3: rule.density_kgm3 };
    }
    case 'at_least':
    case 'fixed':
      return { ...base, rung: rule.rung, pa: rule.pa };
  }
}

export type SystemCsv = Pick<System, 'rungs' | 'rules'> & {
  readonly issues: readonly CsvRowIssue[];
};

/** Rungs and rules from CSV; wrong rows are named, the good ones kept. Errors: csv.no_rows · csv.missing_columns */
export function readSystemCsv(text: string): Result<SystemCsv, CsvIssue> {
  const table = readCsv(text, required);
  if (!table.ok) return err(table.error);
  const result = {
    rungs: [] as System['rungs'],
    rules: [] as System['rules'],
    issues: [] as CsvRowIssue[],
  };
  for (const { line, cells } of table.value.rows) {
    const isRung = cells['row'] === 'rung';
    if (!isRung && cells['row'] !== 'rule') {
      result.issues.push({ line, column: 'row', code: 'neither_rung_nor_rule' });
      continue;
    }
    const parsed = isRung
      ? rungSchema.safeParse(toRung(cells))
      : ruleSchema.safeParse(toRule(cells));
    if (!parsed.success)
      for (const { path, code } of parsed.error.issues)
        result.issues.push({ line, column: String(path.at(-1) ?? 'row'), code });
    else if (isRung) result.rungs.push(parsed.data as System['rungs'][number]);
    else result.rules.push(parsed.data as Rule);
  }
  return ok(result);
}

type Row = Readonly<Record<string, string>>;
const filled = (entries: Record<string, unknown>) =>
  Object.fromEntries(
    Object.entries(entries).filter(([, value]) => value !== undefined && value !== ''),
  );

function toRung(cells: Row): unknown {
  const number = (column: string) => csvNumber(cells[column] ?? '');
  const fraction = number('lockup_fraction');
  return filled({
    id: cells['id'],
    name: cells['name'],
    kind: cells['kind'],
    fed_by: cells['fed_by'],
    open_when: cells['open_when'],
    tolerance_pa: number('tolerance_pa'),
    accumulation_pa: number('accumulation_pa'),
    found_pa: number('found_pa'),
    valve_id: cells['valve_id'],
    adjuster: cells['adjuster'],
    lockup: fraction === undefined ? undefined : { fraction, least_pa: number('lockup_least_pa') },
  });
}

function toRule(cells: Row): unknown {
  const number = (column: string) => csvNumber(cells[column] ?? '');
  const pa = number('pa');
  const counts = (column: string) => (cells[column] === 'true' ? true : undefined);
  const base = {
    id: cells['id'],
    kind: cells['kind'],
    why: cells['why'] ?? '',
    from: cells['from'] || 'own',
  };
  switch (cells['kind']) {
    case 'above_by':
      return filled({
        ...base,
        high: cells['rung'],
        low: cells['other'],
        by_pa: pa,
        counts_lockup: counts('counts_lockup'),
        counts_accumulation: counts('counts_accumulation'),
      });
    case 'between':
      return filled({
        ...base,
        rung: cells['rung'],
        base: cells['other'],
        least_pa: pa,
        most_pa: number('most_pa'),
      });
    case 'serves':
      return filled({
        ...base,
        rung: cells['rung'],
        density_kgm3: number('density_kgm3'),
        sum: filled({
          need_pa: pa,
          loss_pa: number('loss_pa'),
          rise_m: number('rise_m'),
          lowest_rating_pa: number('lowest_rating_pa'),
          drop_m: number('drop_m'),
        }),
      });
    default:
      return filled({
        ...base,
        rung: cells['rung'],
        pa,
        counts_lockup: counts('counts_lockup'),
        counts_accumulation: counts('counts_accumulation'),
      });
  }
}
