import {
  atTapping,
  decimalsFor,
  fromSI,
  shownBy,
  unitOf,
  type Entered,
  type Gauge,
} from '@holvek/core';
import { useDesk } from './use-desk';

export type Tapping = {
  /** The pressure at the tapping when the gauge shows so much, Pa. */
  readonly at: (shown: number) => number;
  /** What the gauge shows when the pressure at its tapping is so much, Pa. */
  readonly shows: (actual: number) => number;
  /** What stands on its face then, in its own unit: the words that are kept as evidence. */
  readonly written: (actual: number) => Entered;
};

/** Between a gauge of the run in hand and its tapping: how high it hangs, and what its certificate adds. */
export function useTapping(gauge: Gauge | undefined): Tapping {
  const { plate } = useDesk().run.started;
  return {
    at: (shown) => atTapping(plate, gauge, shown),
    shows: (actual) => shownBy(plate, gauge, actual),
    written: (actual) => {
      const unit = gauge?.unit ?? 'Pa';
      const decimals = decimalsFor((gauge?.resolution_pa ?? 1) / unitOf(unit).factor);
      return { text: fromSI(shownBy(plate, gauge, actual), unit).toFixed(decimals), unit };
    },
  };
}
