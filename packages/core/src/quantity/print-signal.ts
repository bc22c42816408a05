import { printQuantity } from './print';
import type { SignalRange } from './signals';
import { fromSI } from './units';

const unitOfSignal = { current: 'mA', voltage: 'V', fraction: '%' } as const;

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
