import type { PlateFact } from '../valve';
import { signalPaths, type Writing } from './fact-text';

/** A text of a valve's draft, and what it is called over a column: its unit stands in brackets. */
export type ValveColumn = {
  readonly path: string;
  readonly name: string;
  /** Unit of the figures in it; undefined where it holds words. */
  readonly unit: string | undefined;
};

/** Units at the end of a path: over a column they stand in brackets, as they are written there. */
const UNIT_AT_END = /_(?:pa|m3s|m3_s|dn|span|percent|minutes|bytes|ohm|m2|m|s|k|v|a)$/u;

/** What a fact is called over its column: “spring 1 rate_per_turn” for `plate.springs.0.rate_pa_per_turn`. */
const columnName = (path: string): string =>
  path
    .replace(/^plate\./u, '')
    .replace(/springs\.(\d+)\./u, (_, index: string) => `spring ${Number(index) + 1} `)
    .replace('_pa_per_turn', '_per_turn')
    .replace(UNIT_AT_END, '');

/** The columns that a fact takes: one, or a unit and two ends. */
export function columnsOf(fact: PlateFact, { unit }: Pick<Writing, 'unit'>): ValveColumn[] {
  if (fact.kind === 'signal')
    return Object.values(signalPaths(fact.path)).map((path) => ({
      path,
      name: columnName(path),
      unit: undefined,
    }));
  return [{ path: fact.path, name: columnName(fact.path), unit: unitOfColumn(fact, unit) }];
}

function unitOfColumn(fact: PlateFact, pressureUnit: string): string | undefined {
  if (fact.kind === 'pressure' || fact.kind === 'difference') return pressureUnit;
  return fact.kind === 'figure' ? fact.unit : undefined;
}

export const headerOf = ({ name, unit }: Pick<ValveColumn, 'name' | 'unit'>): string =>
  unit === undefined ? name : `${name} [${unit}]`;

/** Name and unit of a header as somebody may have written it; small letters. */
export function readHeader(header: string): Pick<ValveColumn, 'name' | 'unit'> {
  const match = /^(?<name>[^[(]*?)\s*[[(](?<unit>[^\])]+)[\])]$/u.exec(header.trim().toLowerCase());
  return match?.groups
    ? { name: match.groups['name']!, unit: match.groups['unit']!.trim() }
    : { name: header.trim().toLowerCase(), unit: undefined };
}

/** Several orders of names as one: what a later one has between two names that are known comes in between. */
export function merged(lists: readonly (readonly string[])[]): readonly string[] {
  const all: string[] = [];
  const known = new Set<string>();
  for (const list of lists) {
    let at = 0;
    for (const name of list) {
      if (known.has(name)) {
        at = all.indexOf(name) + 1;
        continue;
      }
      all.splice(at, 0, name);
      known.add(name);
      at += 1;
    }
  }
  return all;
}
