import { gaugeSchema, type Gauge, type GaugeCorrection } from '../gauge';
import { findUnit, fromSI, toSI } from '../quantity';
import { err, ok, type Result } from '../result';
import { csvNumber, readCsv, writeCsv, type CsvIssue, type CsvRowIssue } from './csv-table';
import { plainTag, sameTag } from './same-tag';

/** Figures of pressure stand in the unit on the gauge's own face, which is a column too. */
const columns = [
  'id',
  'tag',
  'unit',
  'range_low',
  'range_high',
  'resolution',
  'accuracy_percent',
  'accuracy_of',
  'height_above_tapping_m',
  'calibrated_on',
  'calibration_due_on',
  'certificate_number',
  'laboratory',
  'corrections',
  'as_found',
] as const;
type Column = (typeof columns)[number];
const required = ['tag', 'unit', 'range_low', 'range_high', 'resolution', 'accuracy_percent'];

const plain = (value: number): string => String(Number(value.toPrecision(8)));

/** A table of a certificate in one cell: "0: +0.4; 500: -1.2", what was shown and what is to be added. */
const tableText = (table: readonly GaugeCorrection[] = [], unit: string): string =>
  table
    .map(({ shown_pa: shown, add_pa: add }) => {
      const sign = add < 0 ? '' : '+';
      return `${plain(fromSI(shown, unit))}: ${sign}${plain(fromSI(add, unit))}`;
    })
    .join('; ');

/** The gauges as CSV, a row each; signals that a calibrator gives and checks that it failed are in no column. */
export const writeGaugesCsv = (gauges: readonly Gauge[]): string =>
  writeCsv(
    columns,
    gauges.map((gauge) => {
      const cells = cellsOf(gauge);
      return columns.map((column) => cells[column]);
    }),
  );

function cellsOf(gauge: Gauge): Readonly<Record<Column, string>> {
  const { unit } = gauge;
  const face = (pa: number) => plain(fromSI(pa, unit));
  return {
    id: gauge.id,
    tag: gauge.tag,
    unit,
    range_low: face(gauge.range_low_pa),
    range_high: face(gauge.range_high_pa),
    resolution: face(gauge.resolution_pa),
    accuracy_percent: plain(gauge.accuracy_fraction * 100),
    accuracy_of: gauge.accuracy_of ?? 'span',
    height_above_tapping_m: plain(gauge.height_above_tapping_m),
    calibrated_on: gauge.calibrated_on,
    calibration_due_on: gauge.calibration_due_on,
    certificate_number: gauge.certificate?.number ?? '',
    laboratory: gauge.certificate?.laboratory ?? '',
    corrections: tableText(gauge.corrections, unit),
    as_found: tableText(gauge.as_found, unit),
  };
}

export type ReadGauge = {
  readonly line: number;
  readonly gauge: Gauge;
  /** The house's, where it has this one. */
  readonly before: Gauge | undefined;
};
export type GaugesCsv = {
  readonly gauges: readonly ReadGauge[];
  /** By line and column; a gauge with any is left out whole. */
  readonly issues: readonly CsvRowIssue[];
};

/**
 * Gauges from CSV over those of the house, known by their tag. What a file has no column for stays as it is.
 *
 * @param known  the gauges of the house
 * @param newId  gives an id to a gauge that is not known and names none
 * @errors  csv.no_rows · csv.missing_columns
 */
export function readGaugesCsv(
  text: string,
  known: readonly Gauge[],
  newId: () => string,
): Result<GaugesCsv, CsvIssue> {
  const table = readCsv(text, required);
  if (!table.ok) return err(table.error);
  const gauges: ReadGauge[] = [];
  const issues: CsvRowIssue[] = [];
  const tags = new Set<string>();
  for (const { line, cells } of table.value.rows) {
    const tag = cells['tag']!;
    const before = known.find((gauge) => sameTag(gauge.tag, tag));
    const read = tags.has(plainTag(tag)) ? twice : readRow(cells, before, newId);
    tags.add(plainTag(tag));
    if (Array.isArray(read)) issues.push(...read.map((issue) => ({ line, ...issue })));
    else gauges.push({ line, gauge: read as Gauge, before });
  }
  return ok({ gauges, issues });
}

type RowIssue = Omit<CsvRowIssue, 'line'>;
type Cells = Readonly<Record<string, string>>;
const twice: RowIssue[] = [{ column: 'tag', code: 'gauge.tag_twice' }];

function readRow(cells: Cells, before: Gauge | undefined, newId: () => string): Gauge | RowIssue[] {
  const unit = findUnit(cells['unit'] ?? '');
  if (unit?.kind !== 'pressure') return [{ column: 'unit', code: 'gauge.unit_unknown' }];
  // A figure that the file says just as we would write it stays to its last digit.
  const written = before?.unit === unit.symbol ? cellsOf(before) : undefined;
  const parsed = gaugeSchema.safeParse(
    gaugeOf(cells, { unit: unit.symbol, before, written, newId }),
  );
  if (!parsed.success)
    return parsed.error.issues.map(({ path }) => ({
      column: columnOf(path.map(String)),
      code: 'gauge.cannot_be',
    }));
  const { range_low_pa: low, range_high_pa: high } = parsed.data;
  return low < high ? parsed.data : [{ column: 'range_high', code: 'gauge.range_upside_down' }];
}

/** Where a column goes: what is known of it, and what its cell comes to. */
type Field = {
  readonly column: Column;
  readonly known: (gauge: Gauge) => unknown;
  readonly read: (cell: string, unit: string) => unknown;
};
const asPressure = (cell: string, unit: string): number =>
  toSI(csvNumber(cell) ?? Number.NaN, unit);
const asText = (cell: string): string => cell;

/** By their place in a gauge, of which those of its certificate have two parts. */
const fields: Readonly<Record<string, Field>> = {
  range_low_pa: { column: 'range_low', known: (gauge) => gauge.range_low_pa, read: asPressure },
  range_high_pa: { column: 'range_high', known: (gauge) => gauge.range_high_pa, read: asPressure },
  resolution_pa: { column: 'resolution', known: (gauge) => gauge.resolution_pa, read: asPressure },
  accuracy_fraction: {
    column: 'accuracy_percent',
    known: (gauge) => gauge.accuracy_fraction,
    read: (cell) => (csvNumber(cell) ?? Number.NaN) / 100,
  },
  accuracy_of: {
    column: 'accuracy_of',
    known: (gauge) => gauge.accuracy_of,
    read: (cell) => (cell === 'span' ? undefined : cell),
  },
  height_above_tapping_m: {
    column: 'height_above_tapping_m',
    known: (gauge) => gauge.height_above_tapping_m,
    read: (cell) => csvNumber(cell) ?? Number.NaN,
  },
  calibrated_on: {
    column: 'calibrated_on',
    known: (gauge) => gauge.calibrated_on,
    read: asText,
  },
  calibration_due_on: {
    column: 'calibration_due_on',
    known: (gauge) => gauge.calibration_due_on,
    read: asText,
  },
  'certificate.number': {
    column: 'certificate_number',
    known: (gauge) => gauge.certificate?.number,
    read: asText,
  },
  'certificate.laboratory': {
    column: 'laboratory',
    known: (gauge) => gauge.certificate?.laboratory,
    read: asText,
  },
  corrections: { column: 'corrections', known: (gauge) => gauge.corrections, read: tableOf },
  as_found: { column: 'as_found', known: (gauge) => gauge.as_found, read: tableOf },
};

type Row = {
  readonly unit: string;
  readonly before: Gauge | undefined;
  readonly written: Readonly<Record<Column, string>> | undefined;
  readonly newId: () => string;
};

/** A gauge as a row tells it, over the one that is known: what the file says alike, or does not speak of, stays. */
function gaugeOf(cells: Cells, { unit, before, written, newId }: Row): unknown {
  const said = ({ column, known, read }: Field): unknown => {
    const cell = cells[column];
    if (before && (cell === undefined || cell === written?.[column])) return known(before);
    return cell === undefined || cell === '' ? undefined : read(cell, unit);
  };
  const told = Object.entries(fields).flatMap(([place, field]) => {
    const value = said(field);
    return value === undefined ? [] : [[place, value] as const];
  });
  const inCertificate = told.filter(([place]) => place.startsWith('certificate.'));
  const certificate = inCertificate.map(([place, value]) => [place.split('.')[1]!, value]);
  return {
    ...(before?.sources ? { sources: before.sources } : {}),
    ...(before?.failures ? { failures: before.failures } : {}),
    height_above_tapping_m: 0,
    ...Object.fromEntries(told.filter((each) => !inCertificate.includes(each))),
    ...(certificate.length > 0 ? { certificate: Object.fromEntries(certificate) } : {}),
    id: before?.id ?? (cells['id'] || newId()),
    tag: cells['tag'],
    unit,
  };
}

/** "0: +0.4; 500: -1.2" as a table in the order of what was shown. */
function tableOf(cell: string, unit: string): GaugeCorrection[] {
  return cell
    .split(/[;|\n]/u)
    .filter((point) => point.trim() !== '')
    .map((point) => {
      const [shown = '', add = ''] = point.split(':');
      return { shown_pa: asPressure(shown, unit), add_pa: asPressure(add, unit) };
    })
    .sort((a, b) => a.shown_pa - b.shown_pa);
}

/** `range_low_pa` → `range_low`, the name in the file. */
function columnOf([first = '', second = '']: readonly string[]): string {
  const place = first === 'certificate' ? `${first}.${second}` : first;
  return fields[place]?.column ?? first;
}
