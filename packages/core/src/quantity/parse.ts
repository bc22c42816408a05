import { err, ok, type Result } from '../result';
import { findUnit, toSI, type QuantityKind } from './units';

export type PressureReference = 'gauge' | 'absolute' | 'vacuum';

export type ParsedQuantity = {
  readonly si: number;
  /** What was typed, kept as evidence. */
  readonly entered: { readonly text: string; readonly unit: string };
  /** Last digit typed, in SI: 0.1 bar for "2.1 bar". */
  readonly lastDigit: number;
  readonly reference: PressureReference;
};

export type ParseError =
  | { readonly code: 'quantity.no_number'; readonly text: string }
  | { readonly code: 'quantity.ambiguous_number'; readonly text: string }
  | { readonly code: 'quantity.unknown_unit'; readonly unit: string }
  | {
      readonly code: 'quantity.wrong_kind';
      readonly unit: string;
      readonly wanted: QuantityKind;
      readonly got: QuantityKind;
    };

const NUMBER = /^([+\-−–]?)\s*(\d[\d\s\u00a0\u2009\u202f.,']*|[.,]\d+)/u;
const REFERENCE = /\s*[([]?\s*(gauge|abs(?:olute)?|vac(?:uum)?|g|a)\s*[)\]]?$/iu;

/**
 * Reads what people type: "2.1 bar", "2,1bar", "-15 inHg", "30 psi", "1 180 kPa", "14.7 psia".
 *
 * A comma before exactly three digits could be either mark and is refused, not guessed.
 * Gauge, absolute and vacuum are told apart, never converted: that needs the barometer.
 *
 * @param text         as typed; at most 40 characters are looked at
 * @param kind         the kind of quantity asked for
 * @param defaultUnit  taken when only a number is typed
 * @returns SI value in its own reference, with the text and its last digit
 * @errors  quantity.no_number · quantity.ambiguous_number · quantity.unknown_unit · quantity.wrong_kind
 * @example parseQuantity('2,1bar', 'pressure', 'kPa') // → ok({ si: 210_000 })
 */
export function parseQuantity(
  text: string,
  kind: QuantityKind,
  defaultUnit: string,
): Result<ParsedQuantity, ParseError> {
  const trimmed = text.slice(0, 40).trim();
  const match = NUMBER.exec(trimmed);
  if (!match) return err({ code: 'quantity.no_number', text: trimmed });
  const number = plainNumber(match[2] ?? '');
  if (!number) return err({ code: 'quantity.ambiguous_number', text: trimmed });
  const magnitude = Number(number);
  if (!Number.isFinite(magnitude)) return err({ code: 'quantity.no_number', text: trimmed });

  const { spelling, reference } = splitReference(trimmed.slice(match[0].length).trim(), kind);
  const unit = findUnit(spelling === '' ? defaultUnit : spelling);
  if (!unit) return err({ code: 'quantity.unknown_unit', unit: spelling });
  if (unit.kind !== kind)
    return err({ code: 'quantity.wrong_kind', unit: unit.symbol, wanted: kind, got: unit.kind });

  const value = match[1] && match[1] !== '+' ? -magnitude : magnitude;
  const decimals = (number.split('.')[1] ?? '').length;
  return ok({
    si: toSI(value, unit.symbol),
    entered: { text: trimmed, unit: unit.symbol },
    lastDigit: 10 ** -decimals * unit.factor,
    reference,
  });
}

/** "1 180,5" → "1180.5"; undefined where the marks can be read two ways. */
function plainNumber(raw: string): string | undefined {
  const packed = raw.replace(/[\s\u00a0\u2009\u202f']/gu, '').replace(/[.,]$/u, '');
  const dots = packed.split('.').length - 1;
  const commas = packed.split(',').length - 1;
  if (dots && commas) {
    const decimal = packed.lastIndexOf('.') > packed.lastIndexOf(',') ? '.' : ',';
    const thousands = decimal === '.' ? ',' : '.';
    const plain = packed.split(thousands).join('').replace(decimal, '.');
    return /^\d*\.\d*$/u.test(plain) ? plain : undefined;
  }
  if (dots > 1 || commas > 1) {
    return /^\d{1,3}([.,]\d{3})+$/u.test(packed) ? packed.replace(/[.,]/gu, '') : undefined;
  }
  if (/^[1-9]\d{0,2},\d{3}$/u.test(packed)) return undefined;
  return packed.replace(',', '.');
}

function splitReference(tail: string, kind: QuantityKind) {
  const whole = { spelling: tail, reference: 'gauge' as PressureReference };
  if (kind !== 'pressure' || tail === '' || findUnit(tail)) return whole;
  const match = REFERENCE.exec(tail);
  if (!match) return whole;
  const word = (match[1] ?? '').toLowerCase();
  const reference = word.startsWith('v') ? 'vacuum' : word.startsWith('a') ? 'absolute' : 'gauge';
  return { spelling: tail.slice(0, match.index).trim(), reference: reference as PressureReference };
}
