import { differencePa, gaugePa } from '../../quantity';
import type { Sample } from '../../numerics';
import { droop, noFlowVerdict, noFlowWatch, type WatchVerdict } from '../../prove';
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
    {
      plate: started.plate,
      target: started.target,
      adjuster: adjusters[0]!,
      small: gaugePa(small),
    },
    started.house_rules,
  );

/** The outlet with nothing flowing as it was watched, s since the first reading and Pa. */
export const noFlowRecordOf = ({ readings }: Pick<RunState, 'readings'>): readonly Sample[] =>
  readings
    .filter(({ purpose }) => purpose === 'no_flow')
    .flatMap(({ reading, elapsed, between = [], atMs }) => [
      ...between.map(({ t_s: t, si }) => ({ t, value: si })),
      { t: elapsed ?? atMs / 1000, value: reading.si },
    ]);

/** What the record says so far; undefined while it says nothing, or with no gauge at the outlet. */
export function noFlowVerdictOf(run: RunState, small: number): WatchVerdict | undefined {
  const resolution = run.gauges.outlet?.resolution_pa;
  if (resolution === undefined) return undefined;
  const record = noFlowRecordOf(run);
  const allowed = lockupAllowedIn(run, small);
  const { no_flow_watch: rules } = run.started.house_rules;
  const verdict = rules
    ? noFlowWatch(record, {
        setPoint: gaugePa(small),
        resolution,
        allowed: differencePa(allowed),
        creepDivisions: rules.creep_divisions_per_min,
      })
    : noFlowVerdict(record, gaugePa(small), resolution, differencePa(allowed));
  return verdict.ok ? verdict.value : undefined;
}

/** How far a watch has come: s so far, s that it takes at least and at most, and whether more is wanted. */
export type WatchState = {
  readonly elapsed: number;
  readonly least: number;
  readonly longest: number;
  readonly verdict: WatchVerdict | undefined;
  readonly isOver: boolean;
};

/** A watch goes on until it can be told what it shows, or as long as the house has it watched. */
export function watchStateOf(run: RunState, rows: number): WatchState {
  const { no_flow_record_s: least, no_flow_watch: rules } = run.started.house_rules;
  const longest = Math.max(least, rules?.longest_s ?? least);
  const record = noFlowRecordOf(run);
  const count = run.readings.filter(({ purpose }) => purpose === 'no_flow').length;
  const elapsed = (record.at(-1)?.t ?? 0) - (record[0]?.t ?? 0);
  const small = lastReading(run, 'setting')?.reading.si ?? run.started.target.set_point_pa;
  const verdict = noFlowVerdictOf(run, small);
  const isTold = verdict !== undefined && verdict.shape !== 'cannot_tell';
  const isOver = count >= rows && (elapsed >= longest || (isTold && elapsed >= least));
  return { elapsed, least, longest, verdict, isOver };
}

/** Droop and lockup of a run so far; null where the readings are not there. */
export function noFlowOf(run: RunState): {
  readonly droop_pa: number | null;
  readonly no_flow: FrozenNoFlow | null;
} {
  const small = lastReading(run, 'setting')?.reading.si;
  const working = lastReading(run, 'working_flow');
  const verdict = small === undefined ? undefined : noFlowVerdictOf(run, small);
  const isOutlet = working?.role === 'outlet';
  return {
    droop_pa:
      small !== undefined && isOutlet ? droop(gaugePa(small), gaugePa(working.reading.si)) : null,
    no_flow: verdict
      ? {
          shape: verdict.shape,
          sure: verdict.sure,
          rise_pa: verdict.rise,
          allowed_pa: verdict.allowed,
          creep_pa_per_s: verdict.creepRate,
          passes: verdict.passes,
        }
      : null,
  };
}
