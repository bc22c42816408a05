import { printQuantity } from './print';
import type { Entered } from './parse';
import type { SignalKind, SignalRange } from './signals';
import { fromSI } from './units';

const unitOfSignal = { current: 'mA', voltage: 'V', fraction: '%', pressure: 'kPa' } as const;

/**
 * A signal's value with its unit: mA and V to hundredths, per cent to tenths, pressure as pressures are.
 *
 * @param si            A, V, Pa or 0 … 1
 * @param pressureUnit  in which pressures are printed
 * @example printSignal({ kind: 'current' }, 0.012, 'kPa') // → '12.00 mA'
 */
export function printSignal(
  { kind }: Pick<SignalRange, 'kind'>,
  si: number,
  pressureUnit: string,
): string {
  if (kind === 'pressure') return printQuantity(si, pressureUnit);
  const unit = unitOfSignal[kind];
  const text = fromSI(Math.abs(si), unit).toFixed(kind === 'fraction' ? 1 : 2);
  return `${si < 0 && Number(text) !== 0 ? '−' : ''}${text} ${unit}`;
}

/**
 * What a meter in the line of a signal shows, to hundredths: the words that are kept as evidence.
 *
 * @param si  A, V, Pa or 0 … 1
 * @example asOnMeter('current', 0.012_344) // → { text: '12.34', unit: 'mA' }
 */
export function asOnMeter(kind: SignalKind, si: number): Entered {
  const unit = unitOfSignal[kind];
  return { text: fromSI(si, unit).toFixed(2), unit };
}
