import { families, hasElectronics, isInstrument, type SignalRange, type Valve } from '@holvek/core';
import { signalWords } from './signal-words';
import type { Units } from '@/units/use-units';

/** What a valve is asked for, for lists: "reduce to 520 ± 15 kPa", "stroke on 4 to 20 mA". */
export function aimWords({ plate, target }: Pick<Valve, 'plate' | 'target'>, units: Units): string {
  const { verb } = families[plate.family];
  if (isInstrument(plate) && !hasElectronics(plate))
    return `${verb} ${signalWords(plate.input, units)}\u00A0±\u00A0${spanWords(plate.tolerance_span)}`;
  return `${verb} ${units.figure(target.set_point_pa)}\u00A0±\u00A0${units.withUnit(target.tolerance_pa)}`;
}

/** A share of span in per cent. */
export const spanWords = (share: number, decimals = 1): string => {
  const text = Math.abs(share * 100).toFixed(decimals);
  return `${share < 0 && Number(text) !== 0 ? '−' : ''}${text} %`;
};

/** The two ends of a split range, in words. */
export const splitWords = (own: SignalRange, other: SignalRange, units: Units): string =>
  `${signalWords(own, units)}, the other valve ${signalWords(other, units)}`;
