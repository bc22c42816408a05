import { doubtOn, type Gauge, type GaugeFailure } from '../gauge';
import type { SheetBody } from './sheet';

/** A gauge on which a sheet rests, and the check that it failed afterwards. */
export type GaugeDoubt = { readonly tag: string; readonly failure: GaugeFailure };

type Rested = Pick<SheetBody, 'gauges' | 'other_gauges' | 'signed_at_ms'>;

/**
 * The gauges of a sheet that failed a check after it was signed. The sheet itself does not change:
 * what is known later stands beside it.
 *
 * @param register  the gauges as they are known now
 * @param dayOf     ISO date of a moment (ms) on the calendar by which the checks are dated
 */
export function doubtsOf(
  { gauges, other_gauges: others = [], signed_at_ms: atMs }: Rested,
  register: readonly Gauge[],
  dayOf: (ms: number) => string,
): readonly GaugeDoubt[] {
  const day = dayOf(atMs);
  const used = new Set([...Object.values(gauges), ...others].map(({ id }) => id));
  return register.flatMap((gauge) => {
    const failure = used.has(gauge.id) ? doubtOn(gauge, day) : undefined;
    return failure ? [{ tag: gauge.tag, failure }] : [];
  });
}
