import Papa from 'papaparse';
import { err, ok, type Result } from '../result';

export type CsvIssue =
  | { readonly code: 'csv.no_rows' }
  | { readonly code: 'csv.missing_columns'; readonly columns: readonly string[] };
export type CsvRowIssue = {
  /** Line in the file, the header being line 1. */
  readonly line: number;
  readonly column: string;
  readonly code: string;
};
export type CsvTable = {
  readonly rows: readonly {
    readonly line: number;
    readonly cells: Readonly<Record<string, string>>;
  }[];
};

/** A file with a byte-order mark, semicolons, tabs or commas, read into rows by their column names. */
export function readCsv(text: string, required: readonly string[]): Result<CsvTable, CsvIssue> {
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/u, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (header) => header.trim().toLowerCase(),
    delimitersToGuess: [',', ';', '\t', '|'],
  });
  const columns = parsed.meta.fields ?? [];
  const missing = required.filter((column) => !columns.includes(column));
  if (missing.length > 0) return err({ code: 'csv.missing_columns', columns: missing });
  if (parsed.data.length === 0) return err({ code: 'csv.no_rows' });
  return ok({
    rows: parsed.data.map((cells, i) => ({
      line: i + 2,
      cells: Object.fromEntries(
        // oxlint-disable-next-line typescript/no-unnecessary-condition -- a short row has no such cell
        Object.entries(cells).map(([key, value]) => [key, undefused(String(value ?? '').trim())]),
      ),
    })),
  });
}

/** A cell as it was before it was kept from being run as a formula. */
const undefused = (cell: string): string => cell.replace(/^'(?=[=+@-])/u, '');

/** Rows as CSV with a header; a cell that a spreadsheet would run as a formula is kept as text. */
export const writeCsv = (
  columns: readonly string[],
  rows: readonly (readonly (string | number | null)[])[],
): string =>
  `${Papa.unparse(
    { fields: [...columns], data: rows.map((row) => row.map((cell) => cell ?? '')) },
    { newline: '\n', escapeFormulae: /^[=+@\t\r]|^-(?!\d)/u },
  )}\n`;

/** A number with a decimal point or comma; undefined where there is none. */
export function csvNumber(cell: string): number | undefined {
  const text = cell.replace(/\s/gu, '').replace(',', '.');
  return /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/iu.test(text) ? Number(text) : undefined;
}
