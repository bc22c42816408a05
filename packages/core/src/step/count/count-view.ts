import { coachModels } from '../../coach';
import { resultUncertainty } from '../../gauge';
import { crackedAt, marksOf } from '../capture/captures';
import type { RunState } from '../run-state';
import { standOf, type Stand } from '../set/setting-view';
import type { StepOf } from '../shapes';

export type CountView = {
  readonly stand: Stand;
  /** Pa at which it cracked here. */
  readonly here: number | undefined;
  /** Turns by count from there, clockwise positive, and how many of them are made. */
  readonly turns: number;
  readonly made: number;
  /** What is left, in eighths; 0 when it is done. */
  readonly left: number;
  /** Setting by count as it stands, Pa, and its expanded uncertainty (k = 2). */
  readonly result: number | undefined;
  readonly uncertainty: number;
};

const EIGHTH = 1 / 8;

/**
 * A setting by count, from the pressure at which the valve cracked here.
 *
 *     turns = (set − here) / rate        U = 2 · √( (σ_rate · turns)² + (σ_turn · rate)² + u_gauge² )
 */
export function countView(run: RunState, step: StepOf<'count'>): CountView {
  const { adjuster } = step;
  const stand = standOf(run, adjuster);
  const here = crackedAt(run, step.from);
  const crackedMs = marksOf(run, step.from).at(-1)?.atMs ?? Number.POSITIVE_INFINITY;
  const { prior, target, gauge } = stand;
  const rate = (prior.direction === 'lowers' ? -1 : 1) * prior.rate;
  const made = (run.marks[adjuster] ?? []).reduce(
    (sum, mark) => sum + (mark.kind === 'turned' && mark.atMs >= crackedMs ? mark.turns : 0),
    0,
  );
  const turns = here === undefined ? 0 : (target.set_point_pa - here) / rate;
  const left = Math.round((turns - made) / EIGHTH) * EIGHTH || 0;
  const uncertainty =
    2 *
    Math.hypot(
      prior.sdFraction * prior.rate * made,
      coachModels[prior.model ?? 1].hands[0]!.sd * prior.rate,
      gauge ? resultUncertainty(gauge) / 2 : 0,
    );
  return {
    stand,
    here,
    turns,
    made,
    left,
    result: here === undefined ? undefined : here + made * rate,
    uncertainty,
  };
}
