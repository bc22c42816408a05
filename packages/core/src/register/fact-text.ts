import {
  findUnit,
  fromSI,
  parseApart,
  parseQuantity,
  parseReading,
  plainCharacters,
  readNumber,
  TEMPERATURE_UNIT,
  toSI,
  unitOf,
  type AbsolutePressure,
  type PressureError,
} from '../quantity';
import type { Site } from '../exchange';
import { measureOf, type Family } from '../family';
import { err, ok, type Result } from '../result';
import type { LockupRules, PlateFact } from '../valve';
import { placePath, readPlace } from './places';

/** In which unit readings are written where none is, and what the air weighs there. */
export type Writing = {
  readonly unit: string;
  readonly barometer: AbsolutePressure;
  /** Of the house; a valve that names one is written in its air. */
  readonly places?: readonly Site[];
  /** What lockup may add in this house; the ordinary where nothing is said. */
  readonly rules?: LockupRules;
};

/** A writing as it is for valves of one family: what is set by a thermometer is written in degrees. */
export const writingFor = <W extends Pick<Writing, 'unit'>>(family: Family, writing: W): W =>
  measureOf({ family }) === 'temperature' ? { ...writing, unit: TEMPERATURE_UNIT } : writing;

export type FactError =
  | PressureError
  | { readonly code: 'register.missing' }
  | { readonly code: 'register.no_number'; readonly unit: string }
  | { readonly code: 'register.no_choice' }
  | { readonly code: 'register.no_place' };

/** Where the three texts of a signal stand. */
export const signalPaths = (path: string) => ({
  unit: `${path}.unit`,
  low: `${path}.low`,
  high: `${path}.high`,
});
/** Units that a signal is written in, with the kind of signal that each is of. */
export const signalUnits = {
  mA: 'current',
  V: 'voltage',
  '%': 'fraction',
  kPa: 'pressure',
  bar: 'pressure',
  psi: 'pressure',
} as const;

const eight = (value: number): string => String(Number(value.toPrecision(8)));

/** A value of a plate as it would be typed. */
export const factText = (fact: PlateFact, value: unknown, writing: Writing): string =>
  value === undefined || value === null ? '' : saidText(fact, value, writing);

function saidText(fact: PlateFact, value: unknown, { unit, places = [] }: Writing): string {
  switch (fact.kind) {
    case 'pressure':
    case 'difference':
      return eight(fromSI(value as number, unit));
    case 'figure':
      return eight(((value as number) - (fact.offset ?? 0)) / fact.factor);
    case 'list':
      return (value as readonly string[]).join(', ');
    case 'yes_no':
      return value === true ? 'yes' : 'no';
    case 'text':
    case 'choice':
      return value as string;
    case 'place':
      return placePath(places, value as string) || (value as string);
    case 'signal':
      return '';
  }
}

/**
 * What a text says of a fact, as the plate keeps it.
 *
 * @returns SI, a text, a list or a truth; undefined where nothing was typed and nothing need be
 */
export function readFact(
  fact: PlateFact,
  text: string,
  { unit, barometer, places = [] }: Writing,
): Result<unknown, FactError> {
  const typed = text.trim();
  if (typed === '') return nothingTyped(fact);
  switch (fact.kind) {
    case 'pressure':
      return mapped(parseReading(typed, unit, barometer), ({ si }) => si);
    case 'difference':
      return mapped(parseApart(typed, unit), ({ si }) => si);
    case 'figure':
      return readFigure(typed, fact);
    case 'list':
      return ok(listed(typed));
    case 'yes_no':
      return ok(typed === 'yes');
    case 'choice':
      return fact.options.some(({ value }) => value === typed)
        ? ok(typed)
        : err({ code: 'register.no_choice' });
    case 'place':
      return mapped(readPlace(places, typed), ({ id }) => id);
    case 'text':
    case 'signal':
      return ok(typed);
  }
}

const mapped = <T, U, E>(read: Result<T, E>, part: (value: T) => U): Result<U, E> =>
  read.ok ? ok(part(read.value)) : read;

const nothingTyped = (fact: PlateFact): Result<unknown, FactError> => {
  if (fact.kind === 'list') return ok([]);
  return fact.optional ? ok(undefined) : err({ code: 'register.missing' });
};

const listed = (text: string): readonly string[] =>
  text
    .split(/[,;\n]/u)
    .map((each) => each.trim())
    .filter((each) => each !== '');

/**
 * A plain number, in the unit that stands beside the field; another unit of the same kind may be written behind it:
 * 12 ft where metres are asked for.
 */
function readFigure(
  text: string,
  { unit, factor, offset = 0 }: Extract<PlateFact, { kind: 'figure' }>,
): Result<number, FactError> {
  // "DN 80" is how a size is written.
  const bare = text.replace(/^DN\s*/iu, '');
  const figure = plainFigure(bare, unit) ?? figureOfUnit(bare, unit);
  return figure === undefined
    ? err({ code: 'register.no_number', unit })
    : ok(Number((figure * factor + offset).toPrecision(12)));
}

function plainFigure(text: string, unit: string): number | undefined {
  const read = readNumber(plainCharacters(text));
  if (typeof read === 'string') return undefined;
  return read.rest === '' || read.rest.toLowerCase() === unit.toLowerCase()
    ? read.value
    : undefined;
}

function figureOfUnit(text: string, unit: string): number | undefined {
  const known = findUnit(unit);
  if (!known || known.kind === 'pressure') return undefined;
  const read = parseQuantity(text, known.kind, known.symbol);
  return read.ok ? fromSI(read.value.si, known.symbol) : undefined;
}

/** One end of a signal, SI. */
export function readSignalEnd(text: string, unit: string): Result<number, FactError> {
  if (text.trim() === '') return err({ code: 'register.missing' });
  const read = readNumber(plainCharacters(text));
  return typeof read === 'string' || read.rest !== ''
    ? err({ code: 'register.no_number', unit })
    : ok(Number(toSI(read.value, unitOf(unit).symbol).toPrecision(12)));
}

export const signalEndText = (si: number, unit: string): string => eight(fromSI(si, unit));
