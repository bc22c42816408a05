import { gaugePa } from '../../quantity';
import { nextMove, startBelief, type NextMove } from '../../coach';
import { resultUncertainty } from '../../gauge';
import { crackingResult, type CrackingResult } from '../../prove';
import { recordOf, type RunState } from '../run-state';
import { aimOf, standOf, type Stand } from '../set/setting-view';
import type { StepOf } from '../shapes';
import { captureCycles, cyclesWanted, isWhole, type CaptureCycle } from './captures';

export type CaptureView = {
  readonly stand: Stand;
  readonly cycles: readonly CaptureCycle[];
  readonly wanted: number;
  readonly isEnough: boolean;
  readonly result: CrackingResult | undefined;
  /** What to turn when it cracks outside its lane; undefined while it holds, or is not known yet. */
  readonly move: NextMove | undefined;
  /** Cycle that the next mark belongs to. */
  readonly nextCycle: number;
};

/** The proving cycles of a relief as they stand, and what to turn when they miss the lane. */
export function captureView(run: RunState, step: StepOf<'capture'>): CaptureView {
  const stand = standOf(run, step.adjuster);
  const cycles = captureCycles(run, step.id);
  const wanted = cyclesWanted(run, step.id);
  const isEnough = cycles.filter(isWhole).length >= wanted;
  const cracking = crackingResult(cycles);
  const result = cracking.ok ? cracking.value : undefined;
  const last = cycles.at(-1);
  const highest = Math.max(0, ...recordOf(run, step).marks.map(({ cycle }) => cycle));
  const nextCycle = last === undefined ? highest + 1 : isWhole(last) ? highest + 1 : last.cycle;
  const isPartOfSetting = step.purpose === undefined;
  return {
    stand,
    cycles,
    wanted,
    isEnough,
    result,
    move: isEnough && result && isPartOfSetting ? correction(run, stand, result) : undefined,
    nextCycle,
  };
}

/** Half a lane of doubt for a valve that is read at its first dribble. */
const READ_SHARE = 0.15;

function correction(
  run: RunState,
  stand: Stand,
  { cracking, repeatability }: CrackingResult,
): NextMove | undefined {
  // A relief that is set by the pressure with all its flow through it is judged there, not at its first lift.
  if (run.steps.some(({ kind, adjuster }) => kind === 'set' && adjuster === stand.spec.id))
    return undefined;
  const aim = aimOf(run, stand);
  const seen = stand.sign * cracking;
  if (seen >= aim.lower && seen <= aim.upper) return undefined;
  const guard = stand.gauge ? resultUncertainty(stand.gauge) / 2 : 0;
  const belief = startBelief(stand.prior, {
    reading: gaugePa(seen),
    readingSd: Math.max(repeatability, guard, READ_SHARE * stand.target.tolerance_pa),
    takenUp: 'unknown',
  });
  const move = nextMove(belief, gaugePa(seen), {
    ...aim,
    approach: seen < aim.lower ? 'from_below' : 'from_above',
  });
  return 'turns' in move ? move : undefined;
}
