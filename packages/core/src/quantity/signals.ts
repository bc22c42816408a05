import { err, ok, type Result } from '../result';

export const signalKinds = ['current', 'voltage', 'pressure', 'fraction'] as const;
export type SignalKind = (typeof signalKinds)[number];

/** A signal between its low and its high end, SI (A, V, Pa, or 0 … 1). A split range is a part of one. */
export type SignalRange = {
  readonly kind: SignalKind;
  readonly low: number;
  readonly high: number;
};

/** Direct: output rises with the signal; reverse: it falls. */
export type Action = 'direct' | 'reverse';

/** What happens to the valve when its air fails is the other way round from what air does. */
export type AirTo = 'open' | 'close';

const PSI = 6894.757293168361;

/** The usual signals, in the order people write them side by side. */
export type StandardSignal = SignalRange & {
  readonly id: string;
  readonly name: string;
  readonly unit: string;
};

export const standardSignals: readonly StandardSignal[] = [
  { id: '4-20mA', name: '4 to 20 mA', unit: 'mA', kind: 'current', low: 0.004, high: 0.02 },
  {
    id: '3-15psi',
    name: '3 to 15 psi',
    unit: 'psi',
    kind: 'pressure',
    low: 3 * PSI,
    high: 15 * PSI,
  },
  {
    id: '20-100kPa',
    name: '20 to 100 kPa',
    unit: 'kPa',
    kind: 'pressure',
    low: 20_000,
    high: 100_000,
  },
  { id: '0-10V', name: '0 to 10 V', unit: 'V', kind: 'voltage', low: 0, high: 10 },
  { id: '0-100%', name: '0 to 100 %', unit: '%', kind: 'fraction', low: 0, high: 1 },
];

/** The usual signal that a range is a part of; the tightest where two would do, undefined where none does. */
export const standardOf = ({ kind, low, high }: SignalRange): StandardSignal | undefined => {
  const [from, to] = [Math.min(low, high), Math.max(low, high)];
  const slack = 1e-9 * Math.max(Math.abs(from), Math.abs(to));
  return standardSignals
    .filter(
      (signal) => signal.kind === kind && signal.low <= from + slack && signal.high >= to - slack,
    )
    .sort((a, b) => a.high - a.low - (b.high - b.low))[0];
};

export type SignalError =
  | { readonly code: 'quantity.span_of_zero' }
  | { readonly code: 'quantity.split_gap'; readonly from: number; readonly to: number }
  | { readonly code: 'quantity.split_overlap'; readonly from: number; readonly to: number };

/** Length of a range, SI; a difference, never a point. */
export const spanOf = ({ low, high }: SignalRange): number => high - low;

/**
 * Where a signal stands in its range.
 *
 *     fraction = (value − low) / (high − low)
 *
 * @param value  SI, of the range's own kind
 * @returns 0 at the low end, 1 at the high end; beyond the ends it goes on
 * @errors  quantity.span_of_zero
 * @example fractionOf({ kind: 'current', low: 0.004, high: 0.02 }, 0.012) // → ok(0.5)
 */
export const fractionOf = (range: SignalRange, value: number): Result<number, SignalError> =>
  spanOf(range) === 0
    ? err({ code: 'quantity.span_of_zero' })
    : ok((value - range.low) / spanOf(range));

/** The signal at a fraction of its range, SI. */
export const signalAt = (range: SignalRange, fraction: number): number =>
  range.low + fraction * spanOf(range);

/** A part of a range, by fractions of it: the upper half of 4–20 mA is 12–20 mA. */
export const partOf = (range: SignalRange, from: number, to: number): SignalRange => ({
  kind: range.kind,
  low: signalAt(range, from),
  high: signalAt(range, to),
});

/** The same standing in another range: 12 mA as kPa of 20–100 is 60. */
export const convertSignal = (
  from: SignalRange,
  to: SignalRange,
  value: number,
): Result<number, SignalError> => {
  const at = fractionOf(from, value);
  return at.ok ? ok(signalAt(to, at.value)) : at;
};

/**
 * Whether two parts of a split range meet: the second begins where the first ends.
 *
 * @param slack  share of the first part's span that may be missing or doubled
 * @errors  quantity.span_of_zero · quantity.split_gap · quantity.split_overlap, with the ends in SI
 */
export function splitMeets(
  first: SignalRange,
  second: SignalRange,
  slack = 0.01,
): Result<true, SignalError> {
  if (spanOf(first) === 0 || spanOf(second) === 0) return err({ code: 'quantity.span_of_zero' });
  const [lower, upper] = first.low <= second.low ? [first, second] : [second, first];
  const ends = { from: lower.high, to: upper.low };
  const gap = (upper.low - lower.high) / Math.abs(spanOf(first));
  if (gap > slack) return err({ code: 'quantity.split_gap', ...ends });
  return gap < -slack ? err({ code: 'quantity.split_overlap', ...ends }) : ok(true);
}

/** Wanted output, 0 … 1, for a signal at a fraction of its range. */
export const idealOutput = (fraction: number, action: Action): number =>
  action === 'direct' ? fraction : 1 - fraction;
