import { gaugePa, inTurns, paPerTurn } from '../../quantity';
import {
  learnedRate,
  nextMove,
  type Answer,
  type Belief,
  type LearnedRate,
  type MoveAim,
  type NextMove,
  type RatePrior,
} from '../../coach';
import { gaugeError, resultUncertainty, type Gauge } from '../../gauge';
import { adjusterPlate, judgementOf, targetOf, type AdjusterSpec, type Target } from '../../valve';
import type { RunState } from '../run-state';
import { adjusterNow } from '../spring/spring-now';
import { ratePrior } from './rate-prior';
import { replayMarks, type Foretold, type Parked, type SettingDot } from './replay-marks';

/** Pressures of a vacuum are given by their size; `sign` says how they read. */
export type SettingView = {
  readonly spec: AdjusterSpec;
  readonly target: Target;
  readonly sign: 1 | -1;
  readonly aim: MoveAim;
  readonly dots: readonly SettingDot[];
  /** Turns made since the last settled reading: the gauge has to be read before the next move. */
  readonly pendingTurns: number;
  readonly move: NextMove | undefined;
  /** What the pending turn was foretold to give. */
  readonly foretold: Foretold | undefined;
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
export function settingView(run: RunState, adjuster: string): SettingView {
  const stand = standOf(run, adjuster);
  const { gauge, prior, position, target, sign, spec } = stand;
  const sd = gauge ? settingSd(gauge, target.set_point_pa) : 1000;
  const replay = replayMarks(run.marks[adjuster] ?? [], {
    prior,
    sd,
    sign,
    takenUp: takenUpBy(stand.parked, prior),
    parked: stand.parked,
    travel: stand.own.travel_turns,
    role: spec.role,
    directionKnown: adjuster in run.directions,
  });
  const told = aimOf(run, stand);
  const aim = isTurnedRound(prior, replay.belief) ? { ...told, room: undefined } : told;
  const last = replay.dots.at(-1);
  const belief = replay.pendingTurns === 0 && replay.isInControl ? replay.belief : undefined;
  return {
    spec,
    target,
    sign,
    aim,
    ...replay,
    prior,
    position,
    move: belief && last ? nextMove(belief, gaugePa(last.pressure), aim) : undefined,
    rate: replay.belief && replay.belief.turnsSeen > 0 ? learnedRate(replay.belief) : undefined,
  };
}

/** It has shown that it works the other way: where its travel ends is not known then. */
function isTurnedRound({ direction }: RatePrior, belief: Belief | undefined): boolean {
  if (!belief || direction === 'unknown') return false;
  const { chanceClockwiseRaises: raises } = learnedRate(belief);
  return direction === 'raises' ? raises < 0.1 : raises > 0.9;
}

/** Everything about an adjuster that does not depend on its readings. */
export function standOf(run: RunState, adjuster: string) {
  const { started } = run;
  const spec = run.adjusters.find(({ id }) => id === adjuster);
  if (!spec) throw new Error(`no adjuster ${adjuster} in this run`);
  const target = targetOf(started, adjuster)!;
  const own = adjusterNow(run, adjuster);
  const word = run.positions[`adjuster_${adjuster}`];
  const parked: Parked =
    word === 'free' || word === 'near_free' || word === 'full' ? word : 'as_it_was';
  const sign: 1 | -1 = target.set_point_pa < 0 ? -1 : 1;
  const prior = priorOf(run, adjuster);
  const position = (run.marks[adjuster] ?? []).reduce(
    (sum, mark) => sum + (mark.kind === 'turned' ? mark.turns : 0),
    0,
  );
  const gauge = run.gauges[spec.role] ?? started.gauges[spec.role];
  return { spec, target, sign, own, parked, prior, position, gauge };
}
export type Stand = ReturnType<typeof standOf>;

/** Standard deviation of a settled reading while setting, Pa. */
const settingSd = (gauge: Gauge, at: number): number =>
  Math.hypot(gauge.resolution_pa / 2, gaugeError(gauge, at) / 4);

/** A corrected direction stands against whatever the plate said. */
function priorOf(run: RunState, adjuster: string): RatePrior {
  const { priors, house_rules: rules, plate } = run.started;
  const corrected = run.directions[adjuster];
  // Another spring: what its sheets have taught of the old one tells nothing.
  const fresh =
    adjuster in run.springs ? ratePrior(adjusterNow(run, adjuster), [], rules) : undefined;
  const prior = fresh ??
    priors[adjuster] ?? {
      rate: paPerTurn(rules.family_rate_pa_per_turn),
      sdFraction: rules.family_rate_sd_fraction,
      direction: adjusterPlate(plate, adjuster).clockwise,
      directionTrust: rules.direction_trust,
      from: 'family' as const,
    };
  return corrected ? { ...prior, direction: corrected, directionTrust: 0.995 } : prior;
}

export function aimOf(
  run: RunState,
  { target, sign, gauge, spec, parked, position, prior, own }: Stand,
): MoveAim {
  const rules = run.started.house_rules;
  const wanted = sign * target.set_point_pa;
  return {
    target: gaugePa(wanted),
    lower: gaugePa(wanted - target.tolerance_pa),
    upper: gaugePa(wanted + target.tolerance_pa),
    limit: gaugePa(sign * target.limit_pa),
    approach: spec.approach,
    guard: gauge
      ? Math.min(resultUncertainty(gauge, target.set_point_pa), target.tolerance_pa / 2)
      : 0,
    doneSure: judgementOf(rules).done_sure,
    chancePastLimit: rules.chance_past_limit,
    chancePastLane: rules.chance_past_lane,
    largestTurn: inTurns(rules.largest_turn),
    ...(parked === 'as_it_was'
      ? {}
      : {
          room: roomFrom(
            parked,
            Math.abs(position),
            own.travel_turns,
            prior.direction !== 'lowers',
          ),
        }),
  };
}

/** Parked low all the travel lies on the side that raises, parked full on the side that lowers. */
function roomFrom(parked: Parked, gone: number, travel: number, raisesClockwise: boolean) {
  const ahead = travel - gone - (parked === 'near_free' ? 1 : 0);
  const behind = gone + 0.5;
  const isClockwise = (parked === 'full') !== raisesClockwise;
  return isClockwise
    ? { clockwise: inTurns(ahead), anticlockwise: inTurns(behind) }
    : { clockwise: inTurns(behind), anticlockwise: inTurns(ahead) };
}

/** On which side the play is taken up by the way it was parked. */
export function takenUpBy(
  parked: Parked,
  prior: RatePrior,
): 'clockwise' | 'anticlockwise' | 'unknown' {
  if (parked === 'as_it_was') return 'unknown';
  const wasRaised = parked !== 'free';
  return wasRaised === (prior.direction !== 'lowers') ? 'clockwise' : 'anticlockwise';
}
