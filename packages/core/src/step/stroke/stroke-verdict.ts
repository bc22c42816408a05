import { judgementOf } from '../../valve';
import { pilotOf } from '../registers/pilot-of';
import { recordOf, stepsOfKind, type RunState } from '../run-state';
import type { Stroke } from './shape';

export type StrokeVerdict = 'whole' | 'short' | 'long' | 'backwards';
/** Whether both ends lie as far apart as the plate says; undefined before it was stroked. */
export function strokeVerdict(run: RunState): StrokeVerdict | undefined {
  const stroke = strokeOf(run);
  if (!stroke) return undefined;
  const share = (stroke.open - stroke.closed) / pilotOf(run).stroke_counts;
  if (share <= 0) return 'backwards';
  const { stroke_slack: slack } = judgementOf(run.started.house_rules);
  return share < 1 - slack ? 'short' : share > 1 + slack ? 'long' : 'whole';
}

/** Both ends as they were found last; undefined before. */
export const strokeOf = (run: RunState): Stroke | undefined =>
  stepsOfKind(run, 'stroke').map((step) => recordOf(run, step).stroke)[0];
