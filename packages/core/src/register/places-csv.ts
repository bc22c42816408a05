import {
  csvNumber,
  readCsv,
  siteSchema,
  writeCsv,
  type Contact,
  type CsvIssue,
  type CsvRowIssue,
  type Site,
} from '../exchange';
import { err, ok, type Result } from '../result';
import { checkPlace, pathTo, placePath, placeTree, readPlace } from './places';

const columns = [
  'id',
  'name',
  'under',
  'altitude_m',
  'time_zone',
  'currency',
  'price_per_kwh',
  'contacts',
  'permit',
] as const;
type Column = (typeof columns)[number];

const figure = (value: number | undefined): string => (value === undefined ? '' : String(value));

/** People in one cell: “Ida Brand, control room, 07 11; Nils Aho, caretaker, 07 12”. */
const contactsText = (contacts: readonly Contact[] = []): string =>
  contacts
    .map(({ name, role, phone }) => [name, role, phone].map((part) => part.trim()).join(', '))
    .join('; ');

const contactsOf = (cell: string): readonly unknown[] =>
  cell
    .split(';')
    .filter((each) => each.trim() !== '')
    .map((each) => {
      const [name = '', role = '', ...phone] = each.split(',').map((part) => part.trim());
      return { name, role, phone: phone.join(', ') };
    });

/** The places that are in use as CSV, a row each, every place behind the one that it lies under. */
export const writePlacesCsv = (places: readonly Site[]): string =>
  writeCsv(
    columns,
    placeTree(places.filter(({ closed }) => !closed)).map(({ place }) => {
      const cells: Readonly<Record<Column, string>> = {
        id: place.id,
        name: place.name,
        under: placePath(places, place.under),
        altitude_m: figure(place.altitude_m),
        time_zone: place.time_zone ?? '',
        currency: place.currency ?? '',
        price_per_kwh: figure(place.price_per_kwh),
        contacts: contactsText(place.contacts),
        permit: place.permit ?? '',
      };
      return columns.map((column) => cells[column]);
    }),
  );

export type ReadPlace = {
  readonly line: number;
  readonly place: Site;
  /** The house's, where it has this one. */
  readonly before: Site | undefined;
};
export type PlacesCsv = {
  /** Each behind the one that it lies under, so that they can be kept one after the other. */
  readonly places: readonly ReadPlace[];
  /** By line and column; a place with any is left out whole. */
  readonly issues: readonly CsvRowIssue[];
};

type Row = { readonly line: number; readonly cells: Readonly<Record<string, string>> };
type RowIssue = Omit<CsvRowIssue, 'line'>;

/**
 * Places from CSV over those of the house, known by their id, else by name and the place above. A place may lie under
 * another of the same file, in whatever order. What a file has no column for stays as it is.
 *
 * @param known  the places of the house
 * @param newId  gives an id to a place that is not known and names none
 * @errors  csv.no_rows · csv.missing_columns
 */
export function readPlacesCsv(
  text: string,
  known: readonly Site[],
  newId: () => string,
): Result<PlacesCsv, CsvIssue> {
  const table = readCsv(text, ['name']);
  if (!table.ok) return err(table.error);
  const places: ReadPlace[] = [];
  const issues: CsvRowIssue[] = [];
  const all = new Map(known.map((place) => [place.id, place]));
  const met = new Set<string>();
  let waiting: readonly Row[] = table.value.rows;
  // Each pass takes what lies under something that is there by now.
  while (waiting.length > 0) {
    const ready = waiting.filter(({ cells }) => aboveOf(cells, [...all.values()]) !== 'unknown');
    if (ready.length === 0) break;
    for (const { line, cells } of ready) {
      const read = readRow(cells, { all: [...all.values()], met, newId });
      if ('place' in read) {
        places.push({ line, ...read });
        met.add(read.place.id);
        all.set(read.place.id, read.place);
      } else issues.push(...read.map((issue) => ({ line, ...issue })));
    }
    waiting = waiting.filter((row) => !ready.includes(row));
  }
  const lost = waiting.map(({ line }) => ({ line, column: 'under', code: 'place.above_unknown' }));
  return ok({ places, issues: [...issues, ...lost].sort((a, b) => a.line - b.line) });
}

/** The place above that a row names; undefined for a site, or where the file does not speak of it. */
function aboveOf(cells: Row['cells'], all: readonly Site[]): Site | 'unknown' | undefined {
  const named = cells['under'] ?? '';
  if (named === '') return undefined;
  const place = readPlace(all, named);
  return place.ok ? place.value : 'unknown';
}

type Beside = {
  readonly all: readonly Site[];
  /** What this file has said already. */
  readonly met: ReadonlySet<string>;
  readonly newId: () => string;
};

function readRow(
  cells: Row['cells'],
  { all, met, newId }: Beside,
): Omit<ReadPlace, 'line'> | readonly RowIssue[] {
  const above = aboveOf(cells, all) as Site | undefined;
  const before = knownOf(cells, above, all);
  if (before && met.has(before.id)) return [{ column: 'name', code: 'place.name_taken' }];
  const parsed = siteSchema.safeParse({
    ...before,
    ...said(cells, above),
    id: before?.id ?? (cells['id'] || newId()),
  });
  if (!parsed.success)
    return parsed.error.issues.map(({ path: [column] }) => ({
      column: String(column),
      code: 'place.cannot_be',
    }));
  const issue = checkPlace(parsed.data, all, []);
  return issue ? [{ column: 'name', code: issue.code }] : { place: parsed.data, before };
}

function knownOf(
  { id, name = '' }: Row['cells'],
  above: Site | undefined,
  all: readonly Site[],
): Site | undefined {
  const byId = id ? all.find((place) => place.id === id) : undefined;
  if (byId) return byId;
  const path = [...pathTo(all, above?.id).map((place) => place.name), name].join('/');
  const named = readPlace(all, path);
  return named.ok && named.value.under === above?.id ? named.value : undefined;
}

/** What the row says; an empty cell takes away what was known, a column that is not there does not. */
function said(cells: Row['cells'], above: Site | undefined): Partial<Record<keyof Site, unknown>> {
  const readers: Readonly<Partial<Record<Column, (cell: string) => unknown>>> = {
    name: (cell) => cell,
    under: () => above?.id,
    altitude_m: (cell) => csvNumber(cell) ?? Number.NaN,
    time_zone: (cell) => cell,
    currency: (cell) => cell,
    price_per_kwh: (cell) => csvNumber(cell) ?? Number.NaN,
    contacts: contactsOf,
    permit: (cell) => cell,
  };
  return Object.fromEntries(
    Object.entries(readers).flatMap(([column, read]) => {
      const cell = cells[column];
      if (cell === undefined) return [];
      return [[column, cell === '' ? undefined : read(cell)]];
    }),
  );
}
