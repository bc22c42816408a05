import {
  plainTag,
  readCsv,
  sameTag,
  writeCsv,
  type CsvIssue,
  type CsvRowIssue,
  type Valve,
} from '../exchange';
import {
  familyNames,
  type Family,
  adjusterPath,
  factsOf,
  furtherOf,
  mayLack,
  shapeOf,
  type ValveShape,
} from '../family';
import { plainCharacters, readNumber, unitAndReference } from '../quantity';
import { err, ok, type Result } from '../result';
import { MAIN } from '../valve';
import { writingFor, type Writing } from './fact-text';
import { columnsOf, headerOf, merged, readHeader, type ValveColumn } from './valve-columns';
import { draftOf, readDraft, type DraftIssue, type ValveDraft } from './valve-draft';

const columnsFor = (shape: ValveShape, writing: Pick<Writing, 'unit'>): readonly ValveColumn[] =>
  factsOf(shape).flatMap((fact) => columnsOf(fact, writingFor(shape.family, writing)));

/**
 * The register as CSV: a row a valve, a column for every fact that a plate of these families can say, each in the
 * unit that its header names. The spring that is in stands first.
 */
export function writeValvesCsv(valves: readonly Valve[], writing: Writing): string {
  const rows = valves.map((valve) => {
    const { shape, texts } = draftOf(valve, writing);
    const cells = columnsFor(shape, writing).map(
      (column) => [headerOf(column), texts[column.path] ?? ''] as const,
    );
    return { valve, cells: new Map(cells) };
  });
  const columns = merged(rows.map(({ cells }) => [...cells.keys()]));
  return writeCsv(
    ['id', 'family', ...columns],
    rows.map(({ valve, cells }) => [
      valve.id,
      valve.plate.family,
      ...columns.map((column) => cells.get(column) ?? ''),
    ]),
  );
}

export type ReadValve = {
  readonly line: number;
  readonly valve: Valve;
  /** The register's, where it has this one. */
  readonly before: Valve | undefined;
};
export type ValvesCsv = {
  readonly valves: readonly ReadValve[];
  /** By line and column; a valve with any is left out whole. */
  readonly issues: readonly CsvRowIssue[];
};
export type ValvesCsvOptions = {
  readonly register: readonly Valve[];
  readonly writing: Writing;
  /** Gives an id to a row that has none. */
  readonly newId: () => string;
};

/**
 * Valves from CSV over what the register has of them, known by tag, else by id. What a file has no column for stays
 * as it is, and so do the last digits of figures that it says alike.
 *
 * @errors  csv.no_rows · csv.missing_columns
 */
export function readValvesCsv(
  text: string,
  options: ValvesCsvOptions,
): Result<ValvesCsv, CsvIssue> {
  const table = readCsv(text, ['tag', 'family']);
  if (!table.ok) return err(table.error);
  const valves: ReadValve[] = [];
  const issues: CsvRowIssue[] = [];
  const tags = new Set<string>();
  const columns = new Columns(options.writing);
  for (const { line, cells } of table.value.rows) {
    const tag = cells['tag']!;
    const read = tags.has(plainTag(tag)) ? twice : readRow(cells, columns, options);
    tags.add(plainTag(tag));
    if ('valve' in read) valves.push({ line, ...read });
    else issues.push(...read.map((issue) => ({ line, ...issue })));
  }
  return ok({ valves, issues });
}

type RowIssue = Omit<CsvRowIssue, 'line'>;
const twice: readonly RowIssue[] = [{ column: 'tag', code: 'register.tag_twice' }];

type Cells = Readonly<Record<string, string>>;
type Cell = { readonly text: string; readonly unit: string | undefined };

function readRow(
  cells: Cells,
  known: Columns,
  { register, writing, newId }: ValvesCsvOptions,
): Omit<ReadValve, 'line'> | readonly RowIssue[] {
  const family = familyNames.find((each) => each === cells['family']);
  if (!family) return [{ column: 'family', code: 'register.no_choice' }];
  const before = knownOf(cells, register);
  const old = before?.plate.family === family ? before : undefined;
  const byName = cellsByName(cells);
  const shape = shapeOfRow(family, known.ofAll(family), byName, before);
  const columns = known.of(shape);
  const issues = otherUnits(columns, byName);
  if (issues.length > 0) return issues;
  const texts = textsOfRow(columns, byName, old && draftOf(old, writing).texts);
  const id = before?.id ?? (cells['id'] || newId());
  const read = readDraft({ shape, texts }, { id, writing, others: register, before: old });
  if (!read.valve) return read.issues.map((issue) => rowIssue(issue, columns));
  const stops = read.plate.find((issue) => issue.stops);
  return stops ? [{ column: read.valve.tag, code: stops.code }] : { valve: read.valve, before };
}

/** A fact may have a column for either kind of figure: what is written in one of them counts. */
function cellsByName(cells: Cells): ReadonlyMap<string, Cell> {
  const byName = new Map<string, Cell>();
  for (const [header, text] of Object.entries(cells)) {
    const { name, unit } = readHeader(header);
    if (text !== '' || !byName.has(name)) byName.set(name, { text, unit });
  }
  return byName;
}

/** Columns whose header names a unit that their fact has not. */
const otherUnits = (
  columns: readonly ValveColumn[],
  byName: ReadonlyMap<string, Cell>,
): readonly RowIssue[] =>
  columns.flatMap((column) => {
    const cell = byName.get(column.name.toLowerCase());
    return cell && cellText(cell, column) === undefined
      ? [{ column: column.name, code: 'register.other_unit' }]
      : [];
  });

/** A text for every field: what the row says, else what the register has. */
const textsOfRow = (
  columns: readonly ValveColumn[],
  byName: ReadonlyMap<string, Cell>,
  written: ValveDraft['texts'] = {},
): ValveDraft['texts'] =>
  Object.fromEntries(
    columns.map((column) => {
      const cell = byName.get(column.name.toLowerCase());
      const said = cell && cellText(cell, column);
      return [column.path, said ?? written[column.path] ?? ''];
    }),
  );

function knownOf({ tag, id }: Cells, register: readonly Valve[]): Valve | undefined {
  return (
    (tag === undefined ? undefined : register.find((valve) => sameTag(valve.tag, tag))) ??
    (id ? register.find((valve) => valve.id === id) : undefined)
  );
}

/** The columns of shapes that were met: rows of one kind have them in common. */
class Columns {
  private readonly known = new Map<string, readonly ValveColumn[]>();

  constructor(private readonly writing: Pick<Writing, 'unit'>) {}

  of(shape: ValveShape): readonly ValveColumn[] {
    const key = JSON.stringify(shape);
    const known = this.known.get(key) ?? columnsFor(shape, this.writing);
    this.known.set(key, known);
    return known;
  }

  /** Of a valve that has all that one of its family may have. */
  ofAll(family: Family): readonly ValveColumn[] {
    const further = furtherOf(family).map(({ id }) => id);
    const springs = Object.fromEntries([MAIN, ...further].map((id) => [id, MOST_SPRINGS]));
    return this.of({ family, further, springs });
  }
}

/**
 * What a row has beside its family: further adjusters and springs of which it says anything, and those of the
 * register for which the file has no column.
 */
function shapeOfRow(
  family: Family,
  columns: readonly ValveColumn[],
  byName: ReadonlyMap<string, Cell>,
  before: Valve | undefined,
): ValveShape {
  const held = columns.flatMap(({ path, name }) => {
    const cell = byName.get(name.toLowerCase());
    return cell ? [{ path, isSaid: cell.text !== '' }] : [];
  });
  const isThere = (path: string, isKnown: boolean): boolean => {
    const own = held.filter((each) => each.path.startsWith(path));
    return own.length === 0 ? isKnown : own.some(({ isSaid }) => isSaid);
  };
  const known = before?.plate.family === family ? shapeOf(before.plate) : undefined;
  const further = furtherOf(family)
    .map(({ id }) => id)
    .filter(
      (id) =>
        !mayLack(family, id) ||
        isThere(`${adjusterPath(id)}.`, known?.further.includes(id) ?? false),
    );
  const springsOf = (id: string): number => {
    const counts = Array.from({ length: MOST_SPRINGS }, (_, i) => MOST_SPRINGS - i);
    const last = counts.find((count) =>
      isThere(`${adjusterPath(id)}.springs.${count - 1}.`, (known?.springs[id] ?? 0) >= count),
    );
    return last ?? 1;
  };
  const springs = Object.fromEntries([MAIN, ...further].map((id) => [id, springsOf(id)]));
  return { family, further, springs };
}

const MOST_SPRINGS = 20;

/** A cell as it would be typed into its field; undefined where its column is in a unit that the fact has not. */
function cellText({ text, unit }: Cell, column: ValveColumn): string | undefined {
  if (unit === undefined || column.unit === undefined || text === '') return text;
  if (unit === column.unit.toLowerCase()) return text;
  if (unitAndReference(unit) === undefined || unitAndReference(column.unit) === undefined)
    return undefined;
  const number = readNumber(plainCharacters(text));
  return typeof number !== 'string' && number.rest === '' ? `${text} ${unit}` : text;
}

function rowIssue({ path, error }: DraftIssue, columns: readonly ValveColumn[]): RowIssue {
  const column = columns.find((each) => each.path === path)?.name ?? path;
  return { column, code: error.code };
}
