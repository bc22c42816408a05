import { err, ok, type Result } from '../result';
import { toGaugePressure, type AtmosphereError } from './atmosphere';
import {
  differencePa,
  type AbsolutePressure,
  type GaugePressure,
  type PressureDifference,
} from './kinds';
import { plainCharacters, readNumber } from './number-text';
import { measureOfUnit } from './measure';
import { findUnit, toSI, unitOf, type QuantityKind, type UnitRow } from './units';

export type PressureReference = 'gauge' | 'absolute' | 'vacuum';

/** What was typed, kept as evidence. */
export type Entered = { readonly text: string; readonly unit: string };

export type ParsedQuantity = {
  readonly si: number;
  readonly entered: Entered;
  /** Last digit typed, in SI: 0.1 bar for "2.1 bar". */
  readonly lastDigit: number;
};
/** A pressure as it was written: what it is above the air outside is not known without the barometer. */
type WrittenPressure = ParsedQuantity & { readonly reference: PressureReference };
export type ParsedPressure = ParsedQuantity & {
  readonly si: GaugePressure;
  /** How it was written; `si` is above the air outside whichever it was. */
  readonly reference: PressureReference;
};

/** A reading of a face: Pa gauge, or K above melting ice. */
export type ParsedReading = ParsedQuantity & { readonly reference: PressureReference };

export type ParseError =
  | { readonly code: 'quantity.no_number'; readonly text: string }
  | { readonly code: 'quantity.too_long'; readonly length: number }
  | { readonly code: 'quantity.ambiguous_number'; readonly text: string }
  | { readonly code: 'quantity.unknown_unit'; readonly unit: string }
  | { readonly code: 'quantity.reference_not_wanted'; readonly reference: PressureReference }
  | {
      readonly code: 'quantity.wrong_kind';
      readonly unit: string;
      readonly wanted: QuantityKind;
      readonly got: QuantityKind;
    };
export type PressureError = ParseError | AtmosphereError;

const LONGEST = 40;
const REFERENCE = /[\s_.-]*[([]?\s*(gauge|abs(?:olute)?|vac(?:uum)?|g|a)\s*[)\]]?$/iu;
const FEET_AND_INCHES =
  /^(\d+(?:[.,]\d+)?)\s*(?:'|ft\.?|feet)\s*(\d.*?|\.\d+)\s*(?:"|in\.?|inch(?:es)?)$/iu;

/**
 * Reads what people type, but for pressures: "2,1 L/s", "3/8 turn", "-5 °C", "5' 6\"", "12 mA".
 *
 * A comma before exactly three digits could be either mark and is refused, not guessed.
 *
 * @param text         as typed, up to 40 characters
 * @param kind         the kind of quantity asked for; pressures have a door of their own
 * @param defaultUnit  taken when only a number is typed
 * @returns SI value, with the text and its last digit
 * @errors  quantity.no_number · quantity.too_long · quantity.ambiguous_number · quantity.unknown_unit · quantity.wrong_kind
 * @example parseQuantity('2,5 L/s', 'flow', 'L/s') // → ok({ si: 0.0025 })
 */
export const parseQuantity = (
  text: string,
  kind: Exclude<QuantityKind, 'pressure'>,
  defaultUnit: string,
): Result<ParsedQuantity, ParseError> => read(text, kind, defaultUnit);

/**
 * The one door for pressures that people and devices write: "2.1 bar", "30 psig", "14.7 psia",
 * "20 inHg vac". Whatever it is written above, what comes out is above the air outside.
 *
 * @param text       as typed, up to 40 characters
 * @param unit       taken when only a number is typed; it may say what it is above ("psia")
 * @param barometer  Pa absolute, where it was written
 * @returns Pa gauge
 * @errors  as parseQuantity · quantity.below_absolute_zero
 * @example parsePressure('14.7 psia', 'kPa', 101_325) // → ok({ si: 27.93 })
 */
export function parsePressure(
  text: string,
  unit: string,
  barometer: AbsolutePressure,
): Result<ParsedPressure, PressureError> {
  const written = writtenPressure(text, unit);
  if (!written.ok) return written;
  const { si, reference } = written.value;
  const gauge = toGaugePressure(si, reference, barometer);
  return gauge.ok ? ok({ ...written.value, si: gauge.value }) : gauge;
}

/**
 * What a gauge shows, of the kind that its unit is: a pressure by its own door, or a temperature.
 *
 * @param unit       of its face, taken when only a number is typed; another kind of unit is refused
 * @param barometer  Pa absolute, where it was read
 * @returns Pa gauge, or K above melting ice
 * @errors  as parsePressure
 * @example parseReading('140 °F', '°C', 101_325) // → ok({ si: 60 })
 */
export function parseReading(
  text: string,
  unit: string,
  barometer: AbsolutePressure,
): Result<ParsedReading, PressureError> {
  if (measureOfUnit(unit) === 'pressure') return parsePressure(text, unit, barometer);
  const parsed = read(text, 'temperature', unit);
  return parsed.ok ? ok({ ...withoutSaid(parsed.value), reference: 'gauge' }) : parsed;
}

/**
 * How far two readings of a face lie apart.
 *
 * @returns Pa, or K; one in °F is refused, since it says a temperature and no difference
 * @errors  as parseDifference
 */
export function parseApart(text: string, unit: string): Result<ParsedQuantity, ParseError> {
  if (measureOfUnit(unit) === 'pressure') return parseDifference(text, unit);
  const parsed = read(text, 'temperature', unit);
  if (!parsed.ok) return parsed;
  const said = unitOf(parsed.value.entered.unit);
  // "2 K" and "2 °C" are as far apart; a difference has no melting ice in it.
  if (said.factor !== 1) return err({ code: 'quantity.unknown_unit', unit: said.symbol });
  const { offset = 0 } = said;
  return ok({ ...withoutSaid(parsed.value), si: parsed.value.si - offset });
}

const withoutSaid = ({ isUnitSaid: _, reference: __, ...plain }: Read): ParsedQuantity => plain;

/**
 * A difference between two pressures, or a figure of a device that knows no other reference: one that
 * says what it is above is refused.
 *
 * @returns Pa
 * @errors  as parseQuantity · quantity.reference_not_wanted
 * @example parseDifference('0.5 bar', 'kPa') // → ok({ si: 50_000 })
 */
export function parseDifference(
  text: string,
  unit: string,
): Result<ParsedQuantity & { readonly si: PressureDifference }, ParseError> {
  const written = writtenPressure(text, unit);
  if (!written.ok) return written;
  const { reference, ...plain } = written.value;
  return reference === 'gauge'
    ? ok({ ...plain, si: differencePa(plain.si) })
    : err({ code: 'quantity.reference_not_wanted', reference });
}

function writtenPressure(text: string, unit: string): Result<WrittenPressure, ParseError> {
  const given = unitAndReference(unit);
  const parsed = read(text, 'pressure', given?.unit.symbol ?? unit);
  if (!parsed.ok) return parsed;
  const { isUnitSaid, ...value } = parsed.value;
  return ok({ ...value, reference: isUnitSaid ? value.reference : (given?.reference ?? 'gauge') });
}

/**
 * A unit of pressure with what it counts from: "psig", "bar (a)", "inHg vac", "kPa".
 *
 * @returns undefined where it is no unit of pressure
 * @example unitAndReference('barg')?.reference // → 'gauge'
 */
export function unitAndReference(
  spelling: string,
): { readonly unit: UnitRow; readonly reference: PressureReference } | undefined {
  const plain = plainCharacters(spelling);
  const whole = findUnit(plain);
  if (whole) return whole.kind === 'pressure' ? { unit: whole, reference: 'gauge' } : undefined;
  const match = REFERENCE.exec(plain);
  const unit = match && findUnit(plain.slice(0, match.index));
  if (unit?.kind !== 'pressure') return undefined;
  const word = match![1]!.toLowerCase();
  return {
    unit,
    reference: word.startsWith('v') ? 'vacuum' : word.startsWith('a') ? 'absolute' : 'gauge',
  };
}

type Read = WrittenPressure & { readonly isUnitSaid: boolean };

function read(text: string, kind: QuantityKind, defaultUnit: string): Result<Read, ParseError> {
  const trimmed = text.trim();
  if (trimmed.length > LONGEST) return err({ code: 'quantity.too_long', length: trimmed.length });
  const plain = plainCharacters(trimmed);
  const feet = kind === 'length' ? feetAndInches(plain, trimmed) : undefined;
  if (feet) return ok(feet);
  const number = readNumber(plain);
  if (number === 'ambiguous') return err({ code: 'quantity.ambiguous_number', text: trimmed });
  if (number === 'none' || !Number.isFinite(number.value))
    return err({ code: 'quantity.no_number', text: trimmed });
  const { rest } = number;
  const found = rest === '' ? { unit: findUnit(defaultUnit) } : unitOfText(rest);
  const { unit } = found;
  if (!unit) return err({ code: 'quantity.unknown_unit', unit: rest === '' ? defaultUnit : rest });
  if (unit.kind !== kind)
    return err({ code: 'quantity.wrong_kind', unit: unit.symbol, wanted: kind, got: unit.kind });
  return ok({
    si: toSI(number.value, unit.symbol),
    entered: { text: trimmed, unit: unit.symbol },
    lastDigit: number.lastDigit * unit.factor,
    reference: ('reference' in found ? found.reference : undefined) ?? 'gauge',
    isUnitSaid: rest !== '',
  });
}

function unitOfText(rest: string): {
  readonly unit: UnitRow | undefined;
  readonly reference?: PressureReference;
} {
  const pressure = unitAndReference(rest);
  return pressure ?? { unit: findUnit(rest) };
}

/** 5' 6" in metres. */
function feetAndInches(plain: string, text: string): Read | undefined {
  const match = FEET_AND_INCHES.exec(plain);
  if (!match) return undefined;
  const [feet, inches] = [readNumber(match[1]!), readNumber(match[2]!)];
  if (typeof feet === 'string' || typeof inches === 'string' || inches.rest !== '')
    return undefined;
  return {
    si: toSI(feet.value, 'ft') + toSI(inches.value, 'in'),
    entered: { text, unit: 'ft' },
    lastDigit: toSI(inches.lastDigit, 'in'),
    reference: 'gauge',
    isUnitSaid: true,
  };
}
