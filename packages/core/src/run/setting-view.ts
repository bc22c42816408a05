import {
  afterReading, afterTurn, answerOf, learnedRate, nextMove, startBelief,
  type Answer, type Belief, type LearnedRate, type MoveAim, type NextMove, type RatePrior,
} from '../coach'; // prettier-ignore
import { gaugeError, resultUncertainty, type Gauge } from '../gauge';
import type { Run, SettingMark } from './state';

/** A settled reading and the turns since the one before it: a dot on the lane strip. */
export type SettingDot = {
  readonly pressure: number;
  readonly turns: number;
  readonly inControl: boolean;
  readonly atMs: number;
};

export type SettingView = {
  readonly aim: MoveAim;
  readonly dots: readonly SettingDot[];
  /** Turns made since the last settled reading: the gauge has to be read before the next move. */
  readonly pendingTurns: number;
  readonly move: NextMove | undefined;
  /** What the pending turn was foretold to give. */
  readonly foretold: { readonly mean: number; readonly low: number; readonly high: number } | undefined;
  /** False after a reading taken while the valve was not in control: wait and read again. */
  readonly isInControl: boolean;
  /** How the gauge answered the last turn. */
  readonly answer: Answer | undefined;
  readonly rate: LearnedRate | undefined;
  readonly prior: RatePrior;
  /** Net turns since the setting began. */
  readonly position: number;
};

/** The setting step of one adjuster as the coach sees it, computed from turns and settled readings. */
export function settingView(run: Run, adjuster: string): SettingView {
  const { started } = run;
  const gauge = run.gauges.outlet ?? started.gauges.outlet;
  const prior = priorOf(run, adjuster);
  const parked = `adjuster_${adjuster}` in run.positions;
  const marks = run.marks[adjuster] ?? [];
  const sd = gauge ? settingSd(gauge) : 1000;
  const replay = replayMarks(marks, { prior, sd, parked, directionKnown: adjuster in run.directions });
  const position = marks.reduce((sum, mark) => sum + (mark.kind === 'turned' ? mark.turns : 0), 0);
  const aim = aimOf(run, gauge, parked ? position : undefined);
  const last = replay.dots.at(-1);
  const belief = replay.pendingTurns === 0 && replay.isInControl ? replay.belief : undefined;
  return {
    aim,
    ...replay,
    prior,
    position,
    move: belief && last ? nextMove(belief, last.pressure, aim) : undefined,
    rate: replay.belief && replay.belief.turnsSeen > 0 ? learnedRate(replay.belief) : undefined,
  };
}

/** A spring that hangs slack reads nothing, Pa gauge. */
const SLACK = 0;

/** Standard deviation of a settled reading while setting, Pa. */
const settingSd = (gauge: Gauge): number => Math.hypot(gauge.resolution_pa / 2, gaugeError(gauge) / 4);

/** A corrected direction stands against whatever the plate said. */
const priorOf = (run: Run, adjuster: string): RatePrior => {
  const corrected = run.directions[adjuster];
  return corrected
    ? { ...run.started.prior, direction: corrected, directionTrust: 0.995 }
    : run.started.prior;
};

function aimOf(run: Run, gauge: Gauge | undefined, position: number | undefined): MoveAim {
  const { target, house_rules: rules, plate } = run.started;
  const spec = run.procedure.adjusters[0]!;
  const clockwiseRoom = plate.travel_turns;
  return {
    target: target.set_point_pa,
    lower: target.set_point_pa - target.tolerance_pa,
    upper: target.set_point_pa + target.tolerance_pa,
    limit: target.limit_pa,
    approach: spec.approach,
    guard: gauge ? Math.min(resultUncertainty(gauge), target.tolerance_pa / 2) : 0,
    chancePastLimit: rules.chance_past_limit,
    chancePastLane: rules.chance_past_lane,
    largestTurn: rules.largest_turn,
    ...(position === undefined ? {} : { room: roomFrom(position, clockwiseRoom, run) }),
  };
}

/** Parked means backed off: all the travel lies on the side that raises. */
function roomFrom(position: number, travel: number, run: Run) {
  const raisesClockwise = priorOf(run, 'main').direction !== 'lowers';
  const gone = Math.abs(position);
  return raisesClockwise
    ? { clockwise: travel - gone, anticlockwise: gone + 0.5 }
    : { clockwise: gone + 0.5, anticlockwise: travel - gone };
}

function replayMarks(
  marks: readonly SettingMark[],
  {
    prior,
    sd,
    parked,
    directionKnown,
  }: { prior: RatePrior; sd: number; parked: boolean; directionKnown: boolean },
) {
  let belief: Belief | undefined;
  const dots: SettingDot[] = [];
  let pendingTurns = 0;
  /** Reading before the last turn and what that turn was foretold to give. */
  let trial: { before: number; foretold: NonNullable<SettingView['foretold']> } | undefined;
  let answer: Answer | undefined;
  let isInControl = true;
  for (const mark of marks) {
    const before = dots.at(-1);
    if (mark.kind === 'turned') {
      belief = belief && afterTurn(belief, mark.turns);
      pendingTurns += mark.turns;
      if (belief && before) trial = { before: before.pressure, foretold: foretell(belief) };
      continue;
    }
    isInControl = mark.inControl;
    if (!isInControl) {
      // Nothing is learned and nothing is advised until the valve is in control again.
    } else if (belief) {
      if (trial) answer = answerOf(trial.before, mark.pressure, trial.foretold, sd);
      // A deaf valve teaches nothing about its screw: its reading is shown but not learned from.
      if (answer !== 'no_change' || directionKnown) belief = afterReading(belief, mark.pressure, sd, SLACK);
    } else {
      const takenUp = parked ? (prior.direction === 'lowers' ? 'clockwise' : 'anticlockwise') : 'unknown';
      belief = startBelief(prior, { reading: mark.pressure, readingSd: sd, takenUp });
    }
    const seen = { pressure: mark.pressure, inControl: mark.inControl, atMs: mark.atMs };
    if (pendingTurns === 0 && before) dots[dots.length - 1] = { ...seen, turns: before.turns };
    else dots.push({ ...seen, turns: pendingTurns });
    pendingTurns = 0;
  }
  const foretold = pendingTurns === 0 ? undefined : trial?.foretold;
  return { belief, dots, pendingTurns, foretold, answer, isInControl };
}

/** Mean and 90 % interval of what the gauge should read after the turn just made. */
function foretell({ hypotheses }: Belief) {
  const mean = hypotheses.reduce((sum, h) => sum + h.weight * h.setPoint, 0);
  const variance = hypotheses.reduce(
    (sum, h) => sum + h.weight * (h.varSetPoint + (h.setPoint - mean) ** 2),
    0,
  );
  const reach = 1.645 * Math.sqrt(variance);
  return { mean, low: mean - reach, high: mean + reach };
}
