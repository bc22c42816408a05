import { droop, noFlowVerdict } from '../../prove';
import { lockupAllowed } from '../../valve';
import { lastReading } from '../last-reading';
import type { RunState } from '../run-state';
import type { FrozenNoFlow } from './frozen';

/** How far the outlet of this run may rise with nothing flowing, Pa; `small` is what it held at small flow. */
export const lockupAllowedIn = (
  { started, adjusters }: Pick<RunState, 'started' | 'adjusters'>,
  small: number,
): number =>
  lockupAllowed(
    { plate: started.plate, target: started.target, adjuster: adjusters[0]!, small },
    started.house_rules,
  );

/** Droop and lockup of a run so far; null where the readings are not there. */
export function noFlowOf(run: RunState): {
  readonly droop_pa: number | null;
  readonly no_flow: FrozenNoFlow | null;
} {
  const small = lastReading(run, 'setting')?.reading.si;
  const working = lastReading(run, 'working_flow');
  const record = run.readings
    .filter(({ purpose }) => purpose === 'no_flow')
    .map(({ reading, elapsed, atMs }) => ({ t: elapsed ?? atMs / 1000, value: reading.si }));
  const gauge = run.gauges.outlet;
  const verdict =
    gauge && small !== undefined
      ? noFlowVerdict(record, small, gauge.resolution_pa, lockupAllowedIn(run, small))
      : undefined;
  const isOutlet = working?.role === 'outlet';
  return {
    droop_pa: small !== undefined && isOutlet ? droop(small, working.reading.si) : null,
    no_flow: verdict?.ok
      ? {
          shape: verdict.value.shape,
          sure: verdict.value.sure,
          rise_pa: verdict.value.rise,
          allowed_pa: verdict.value.allowed,
          creep_pa_per_s: verdict.value.creepRate,
          passes: verdict.value.passes,
        }
      : null,
  };
}
