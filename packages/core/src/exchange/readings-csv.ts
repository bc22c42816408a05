import { z } from 'zod';
import { err, ok, type Result } from '../result';
import type { SheetBody } from '../sheet';
import { purposes } from '../step';
import { csvNumber, readCsv, writeCsv, type CsvIssue, type CsvRowIssue } from './csv-table';

const columns = [
  'at',
  'role',
  'purpose',
  'adjuster',
  'pressure_pa',
  'entered',
  'entered_unit',
  'settled',
  'source',
  'gauge_id',
] as const;

export const readingRowSchema = z.object({
  at: z.iso.datetime(),
  role: z.enum(['inlet', 'outlet']),
  purpose: z.enum(purposes),
  /** Empty where the reading is of the line, not of a setting. */
  adjuster: z.string().max(40),
  pressure_pa: z.number().min(-101_325).max(1e9),
  entered: z.string().max(60),
  entered_unit: z.string().max(16),
  settled: z.boolean(),
  source: z.enum(['typed', 'linked', 'file']),
  gauge_id: z.string().min(1).max(64),
});
export type ReadingRow = z.infer<typeof readingRowSchema>;

export const readingRowsOf = ({ readings }: Pick<SheetBody, 'readings'>): ReadingRow[] =>
  readings.map(({ at_ms, role, purpose, adjuster, reading, settled }) => ({
    at: new Date(at_ms).toISOString(),
    role,
    purpose,
    adjuster: adjuster ?? '',
    pressure_pa: reading.si,
    entered: reading.entered.text,
    entered_unit: reading.entered.unit,
    settled,
    source: reading.source,
    gauge_id: reading.gauge_id,
  }));

export const writeReadingsCsv = (rows: readonly ReadingRow[]): string =>
  writeCsv(
    columns,
    rows.map((row) => columns.map((column) => String(row[column]))),
  );

export type ReadingsCsv = {
  readonly rows: readonly ReadingRow[];
  readonly issues: readonly CsvRowIssue[];
};

/** Readings from CSV; wrong rows are named, the good ones kept. Errors: csv.no_rows · csv.missing_columns */
export function readReadingsCsv(text: string): Result<ReadingsCsv, CsvIssue> {
  const table = readCsv(text, columns);
  if (!table.ok) return err(table.error);
  const rows: ReadingRow[] = [];
  const issues: CsvRowIssue[] = [];
  for (const { line, cells } of table.value.rows) {
    const parsed = readingRowSchema.safeParse({
      ...cells,
      pressure_pa: csvNumber(cells['pressure_pa'] ?? ''),
      settled: { true: true, false: false }[cells['settled'] ?? ''],
    });
    if (parsed.success) rows.push(parsed.data);
    else
      for (const issue of parsed.error.issues)
        issues.push({ line, column: String(issue.path[0]), code: issue.code });
  }
  return ok({ rows, issues });
}
