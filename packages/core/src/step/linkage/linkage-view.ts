import {
  spotOf,
  zeroSpanView,
  type ScrewName,
  type Spot,
  type ZeroSpanMark,
  type ZeroSpanView,
} from '../../coach';
import { fractionOf } from '../../quantity';
import {
  instrumentRules,
  isInstrument,
  judgementOf,
  MAIN,
  movesStem,
  type InstrumentPlate,
} from '../../valve';
import { instrumentOf, pointError, shareOf } from '../points/points-view';
import type { CalPointEvent, TakenPoint } from '../points/shape';
import { stepsOfKind, type RunState } from '../run-state';
import type { EntryEvent } from '../shapes';
import { ARM, perFigure, rangeArmOf, slideOf, type RangeArm } from './range-arm';

const spotAt: Readonly<Record<number, Spot>> = { 0: 'low', 0.5: 'mid', 1: 'high' };
export const inputOfSpot: Readonly<Record<Spot, number>> = { low: 0, mid: 0.5, high: 1 };
export const adjusterOfScrew = (screw: ScrewName): string => (screw === 'zero' ? MAIN : screw);

/** How far from an end of the signal the output should begin, or reach the supply: a share, as much either way. */
const endsTolerance = ({ started }: Pick<RunState, 'started'>): number =>
  judgementOf(started.house_rules).signal_ends / 2;

/** The linkage step of a run; undefined where it has none. */
const linkageOf = (run: Pick<RunState, 'steps'>) => stepsOfKind(run, 'linkage')[0];

type Begun = Pick<RunState, 'started' | 'steps'>;

/** Error of a point, as a share of span: too far open, or begun too early, counts as too much. */
function pointShare(run: Begun, event: Pick<CalPointEvent, 'step_id' | 'at' | 'output'>): number {
  const plate = instrumentOf(run);
  const linkage = linkageOf(run);
  if (linkage?.measure !== 'ends' || linkage.id !== event.step_id)
    return shareOf(plate, event.output);
  const met = fractionOf(plate.input, event.output);
  return event.at + beginsAt(run, event.at) - (met.ok ? met.value : 0);
}

/** Where in the signal the output should stand at one of its ends; between them at the point itself. */
function beginsAt(run: Begun, at: number): number {
  const tolerance = endsTolerance(run);
  return at === 0 ? tolerance : at === 1 ? 1 - tolerance : at;
}

export const takenPoint = (run: Begun, event: CalPointEvent): TakenPoint => ({
  eventId: event.id,
  at: event.at,
  direction: event.direction,
  pass: event.pass,
  output: event.output,
  share: pointShare(run, event),
  source: event.source,
});

/** What an event tells the linkage's coach: an error at one of its spots coming from below, or a turned screw. */
export function linkageMarks(run: Begun, event: EntryEvent): readonly ZeroSpanMark[] {
  if (!isInstrument(run.started.plate)) return [];
  if (event.type === 'turned') {
    const screw = event.adjuster === MAIN ? 'zero' : event.adjuster;
    if (!(screw in spotOf)) return [];
    return [{ kind: 'turned', screw: screw as ScrewName, turns: event.turns }];
  }
  if (event.type !== 'cal_point' || event.direction === 'down') return [];
  const linkage = linkageOf(run);
  if (linkage?.measure === 'ends' && linkage.id !== event.step_id) return [];
  const spot = spotAt[event.at];
  if (!spot) return [];
  const error = pointShare(run, event) - event.at;
  const side = linkage?.measure === 'ends' ? outsideSignal(run.started.plate, event) : undefined;
  return [{ kind: 'read', spot, error, ...(side ? { atLeast: side } : {}) }];
}

/** Begun before there was any signal, or not at the supply when all of it was there: how far, nobody saw. */
function outsideSignal(
  { input }: InstrumentPlate,
  { at, output }: Pick<CalPointEvent, 'at' | 'output'>,
): 'over' | 'under' | undefined {
  const met = fractionOf(input, output);
  if (!met.ok) return undefined;
  if (at === 0 && met.value <= END_OF_SIGNAL) return 'over';
  return at === 1 && met.value >= 1 - END_OF_SIGNAL ? 'under' : undefined;
}
/** So near to either end of the signal, as a share, it has ended. */
const END_OF_SIGNAL = 0.001;

/** What the coach sees of a linkage; a range arm that would have to go off its scale is at its end. */
export type LinkageView = Omit<ZeroSpanView, 'move'> & {
  readonly move: ZeroSpanView['move'] | { readonly kind: 'end_of_scale' };
  /** The arm that sets its span, where that is no screw. */
  readonly arm?: RangeArm;
};

/** Zero, span and angularity of a run as the coach sees them. */
export function linkageView(run: RunState): LinkageView {
  const plate = instrumentOf(run);
  const rules = instrumentRules(run.started.house_rules);
  const screws = (['zero', 'span', 'angularity'] as const).filter(
    (screw) => screw === 'zero' || plate.others?.[screw] !== undefined,
  );
  const arm = rangeArmOf(run);
  const worth = (screw: ScrewName) => (arm && screw === ARM ? perFigure(arm) : PER_TURN);
  const way = (screw: ScrewName) => {
    const own = screw === 'zero' ? plate : plate.others?.[screw];
    return (run.directions[adjusterOfScrew(screw)] ?? own?.clockwise) === 'lowers'
      ? -worth(screw)
      : worth(screw);
  };
  const tolerance = linkageOf(run)?.measure === 'ends' ? endsTolerance(run) : plate.tolerance_span;
  const view = zeroSpanView(run.linkage, {
    screws,
    tolerance,
    uncertainty: pointError(run) ?? tolerance,
    noise: rules.scale_reading / 2,
    // What holds at the ends is a window, not the verdict: two standard deviations of a reading are for the scale alone.
    guard: linkageOf(run)?.measure === 'ends' ? 0 : rules.scale_reading,
    spanFactor: movesStem(plate) ? rules.positioner_span_factor : rules.span_factor,
    angularityFactor: rules.angularity_factor,
    perTurn: Object.fromEntries(screws.map((screw) => [screw, way(screw)])),
  });
  return { ...view, move: asMade(view.move, arm), ...(arm ? { arm } : {}) };
}

/** A move as it can be made: a screw by eighths, an arm by its marks. */
function asMade(move: ZeroSpanView['move'], arm: RangeArm | undefined): LinkageView['move'] {
  if (move.kind !== 'turn') return move;
  if (!arm || move.screw !== ARM) return { ...move, turns: roundTurns(move.turns) };
  const turns = slideOf(move.turns, arm);
  return turns === 0 ? { kind: 'end_of_scale' } : { ...move, turns };
}

/** To eighths of a turn, finer where little is left, and never more than three at once. */
const roundTurns = (turns: number): number => {
  const size = Math.abs(turns);
  const parts = size >= 0.25 ? 8 : size >= 0.1 ? 16 : 32;
  return Math.sign(turns) * Math.min(3, Math.max(1 / 32, Math.round(size * parts) / parts));
};

/** Whether a screw was turned since its spot was last read: it is read before anything else. */
export const awaitsReading = (run: RunState): Spot | undefined => {
  const last = run.linkage.at(-1);
  return last?.kind === 'turned' ? spotOf[last.screw] : undefined;
};
/** Span moved by a turn before the pointer has shown it: a middling screw. */
const PER_TURN = 0.05;

/** Independence of its screws below which each undoes what the other has done, 0 … 1. */
const ALIKE = 0.15;
/** Two screws do nearly the same: large turns that leave little. */
export const areScrewsAlike = ({ independence }: Pick<ZeroSpanView, 'independence'>): boolean =>
  independence < ALIKE;
