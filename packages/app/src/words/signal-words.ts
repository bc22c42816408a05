import { fromSI, type SignalKind, type SignalRange } from '@holvek/core';
import type { Units } from '@/units/use-units';

/** The unit in which a signal is shown. */
export const signalUnit = (kind: SignalKind, units: Units): string =>
  ({ current: 'mA', voltage: 'V', fraction: '%', pressure: units.pressure })[kind];

/** A signal's value as a figure: mA and V to hundredths, per cent to tenths, pressure as it is printed. */
export function signalFigure(kind: SignalKind, si: number, units: Units): string {
  if (kind === 'pressure') return units.figure(si);
  const text = fromSI(Math.abs(si), signalUnit(kind, units)).toFixed(kind === 'fraction' ? 1 : 2);
  return `${si < 0 && Number(text) !== 0 ? '−' : ''}${text}`;
}

export const signalWithUnit = (kind: SignalKind, si: number, units: Units): string =>
  `${signalFigure(kind, si, units)} ${signalUnit(kind, units)}`;

/** "4 to 20 mA". */
export const signalWords = ({ kind, low, high }: SignalRange, units: Units): string => {
  const plain = (si: number) =>
    kind === 'pressure'
      ? units.figure(si)
      : String(Number(fromSI(si, signalUnit(kind, units)).toFixed(2)));
  return `${plain(low)} to ${plain(high)} ${signalUnit(kind, units)}`;
};
