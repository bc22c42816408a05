import { z } from 'zod';
import { canonicalJson } from '../digest';
import { err, ok, type Result } from '../result';
import type { Spring } from '../valve';
import { csvNumber, readCsv, writeCsv, type CsvIssue, type CsvRowIssue } from './csv-table';
import { valveSchema, type Valve } from './valve-record';

const columns = [
  'id',
  'tag',
  'name',
  'place',
  'family',
  'size_dn',
  'set_point_pa',
  'tolerance_pa',
  'limit_pa',
  'why',
  'inlet_rating_pa',
  'outlet_rating_pa',
  'min_differential_pa',
  'travel_turns',
  'clockwise',
  'spring',
  'spring_from_pa',
  'spring_to_pa',
  'spring_rate_pa_per_turn',
  'factory_set_point_pa',
  'accessories',
  'more',
] as const;
const optional: readonly string[] = [
  'factory_set_point_pa',
  'accessories',
  'name',
  'place',
  'id',
  'more',
];

/** Plate fields that have a column of their own; what only some families have goes as JSON under `more`. */
const plain = new Set([
  'family',
  'size_dn',
  'inlet_rating_pa',
  'outlet_rating_pa',
  'min_differential_pa',
  'travel_turns',
  'clockwise',
  'springs',
  'fitted_spring',
  'factory_set_point_pa',
  'accessories',
]);
const moreSchema = z.object({
  plate: z.record(z.string(), z.unknown()).optional(),
  other_targets: z.unknown().optional(),
  stacked_with: z.unknown().optional(),
});

/**
 * The register as CSV, one spring of the leading adjuster a row: a valve with three springs takes
 * three rows, the fitted one first; one without springs takes one. What only its family has stands as JSON in `more`.
 */
export function writeRegisterCsv(valves: readonly Valve[]): string {
  const rows = valves.flatMap(({ plate, target, ...valve }) => {
    const springs = [...plate.springs].sort(
      (a, b) => Number(b.colour === plate.fitted_spring) - Number(a.colour === plate.fitted_spring),
    );
    const rows: readonly (Spring | undefined)[] = springs.length > 0 ? springs : [undefined];
    return rows.map((spring) => [
      valve.id,
      valve.tag,
      valve.name,
      valve.place,
      plate.family,
      plate.size_dn,
      target.set_point_pa,
      target.tolerance_pa,
      target.limit_pa,
      target.why,
      plate.inlet_rating_pa,
      plate.outlet_rating_pa,
      plate.min_differential_pa,
      plate.travel_turns,
      plate.clockwise,
      spring?.colour ?? '',
      spring?.from_pa ?? null,
      spring?.to_pa ?? null,
      spring?.rate_pa_per_turn ?? null,
      plate.factory_set_point_pa ?? null,
      plate.accessories.join('; '),
      moreOf({ plate, target, ...valve }, spring),
    ]);
  });
  return writeCsv(columns, rows);
}

function moreOf({ plate, other_targets }: Valve, spring: Spring | undefined): string {
  const rest = Object.entries(plate).filter(
    ([key, value]) => !plain.has(key) && value !== undefined,
  );
  const more = {
    ...(rest.length > 0 ? { plate: Object.fromEntries(rest) } : {}),
    ...(other_targets ? { other_targets } : {}),
    ...(spring?.stacked_with ? { stacked_with: spring.stacked_with } : {}),
  };
  return Object.keys(more).length > 0 ? JSON.stringify(more) : '';
}

/** The `more` of a row; anything that is not what we write makes the row wrong by its field. */
function readMore(text: string): z.infer<typeof moreSchema> {
  if (text === '') return {};
  try {
    return moreSchema.parse(JSON.parse(text));
  } catch {
    return { plate: { more: undefined, family: 'unreadable' } };
  }
}

export type RegisterCsv = {
  readonly valves: readonly Valve[];
  readonly issues: readonly CsvRowIssue[];
  /** Line of each valve's first row, by its tag. */
  readonly lines: ReadonlyMap<string, number>;
};

/**
 * Valves from CSV; rows that are wrong are named with line and column. A valve with a wrong row among its
 * rows, or with rows that contradict one another, is left out whole; the others are kept.
 *
 * @param newId  gives an id to a row without one
 * @errors  csv.no_rows · csv.missing_columns
 */
export function readRegisterCsv(text: string, newId: () => string): Result<RegisterCsv, CsvIssue> {
  const table = readCsv(
    text,
    columns.filter((column) => !optional.includes(column)),
  );
  if (!table.ok) return err(table.error);
  const issues: CsvRowIssue[] = [];
  const byTag = new Map<string, Valve>();
  const lines = new Map<string, number>();
  const halves = new Set<string>();
  for (const { line, cells } of table.value.rows) {
    const parsed = valveSchema.safeParse(rowToValve(cells, newId));
    if (!parsed.success) {
      halves.add(cells['tag'] ?? '');
      for (const issue of parsed.error.issues)
        issues.push({ line, column: columnOf(issue.path), code: issue.code });
      continue;
    }
    const { tag } = parsed.data;
    const known = byTag.get(tag);
    if (known && !isSameBut(known, parsed.data)) {
      halves.add(tag);
      issues.push({ line, column: 'tag', code: 'rows_contradict' });
    }
    byTag.set(tag, known ? withSpring(known, parsed.data) : parsed.data);
    if (!known) lines.set(tag, line);
  }
  const valves = [...byTag.values()].filter(({ tag }) => !halves.has(tag));
  return ok({ valves, issues, lines });
}

/** Whether two rows say the same of a valve but for their springs. */
function isSameBut(first: Valve, second: Valve): boolean {
  const said = ({ id: _, plate, ...valve }: Valve) =>
    canonicalJson({ ...valve, plate: { ...plate, springs: [], fitted_spring: '' } });
  return said(first) === said(second);
}

const withSpring = (known: Valve, row: Valve): Valve => ({
  ...known,
  plate: { ...known.plate, springs: [...known.plate.springs, ...row.plate.springs] },
});

/**
 * A valve that was read, over what the register has of it: what a file does not speak of stays (model and serial,
 * retirement, the twin), and springs keep their order.
 */
export function overKnown(known: Valve | undefined, read: Valve): Valve {
  if (!known) return read;
  const places = new Map(known.plate.springs.map(({ colour }, i) => [colour, i]));
  const placeOf = ({ colour }: Spring) => places.get(colour) ?? places.size;
  const springs = [...read.plate.springs].sort((a, b) => placeOf(a) - placeOf(b));
  // A row has a target's figures, and not what they were worked out from.
  const { sum } = known.target;
  return {
    ...known,
    ...read,
    id: known.id,
    target: { ...(sum ? { sum } : {}), ...read.target },
    plate: { ...read.plate, springs } as Valve['plate'],
  };
}

function rowToValve(cells: Readonly<Record<string, string>>, newId: () => string): unknown {
  const number = (column: string) => csvNumber(cells[column] ?? '');
  const factory = number('factory_set_point_pa');
  const more = readMore(cells['more'] ?? '');
  return {
    id: cells['id'] || newId(),
    tag: cells['tag'],
    name: cells['name'] ?? '',
    place: cells['place'] ?? '',
    target: {
      set_point_pa: number('set_point_pa'),
      tolerance_pa: number('tolerance_pa'),
      limit_pa: number('limit_pa'),
      why: cells['why'],
    },
    plate: {
      family: cells['family'],
      size_dn: number('size_dn'),
      outlet_rating_pa: number('outlet_rating_pa'),
      inlet_rating_pa: number('inlet_rating_pa'),
      springs:
        cells['spring'] === ''
          ? []
          : [
              {
                colour: cells['spring'],
                from_pa: number('spring_from_pa'),
                to_pa: number('spring_to_pa'),
                rate_pa_per_turn: number('spring_rate_pa_per_turn'),
                ...(more.stacked_with ? { stacked_with: more.stacked_with } : {}),
              },
            ],
      fitted_spring: cells['spring'],
      clockwise: cells['clockwise'],
      travel_turns: number('travel_turns'),
      min_differential_pa: number('min_differential_pa'),
      accessories: (cells['accessories'] ?? '')
        .split(';')
        .map((item) => item.trim())
        .filter(Boolean),
      ...(factory === undefined ? {} : { factory_set_point_pa: factory }),
      ...more.plate,
    },
    ...(more.other_targets ? { other_targets: more.other_targets } : {}),
  };
}

/** `plate.springs.0.from_pa` → `spring_from_pa`, the name in the file. */
function columnOf(path: readonly PropertyKey[]): string {
  const last = String(path.at(-1) ?? '');
  if (!path.includes('springs')) return last;
  return last === 'colour' ? 'spring' : `spring_${last}`;
}
