import {
  spotOf,
  zeroSpanView,
  type ScrewName,
  type Spot,
  type ZeroSpanMark,
  type ZeroSpanView,
} from '../coach';
import { pointUncertainty } from '../gauge';
import { pointTable, type CalPoint, type PointTable, type PointTableError } from '../prove';
import { fractionOf } from '../quantity';
import { err, type Result } from '../result';
import { instrumentRules, isInstrument, MAIN, type InstrumentPlate } from '../valve';
import type { EventOf, RunEvent } from './event';
import type { Run, TakenPoint } from './state';

const INPUTS = [0, 0.25, 0.5, 0.75, 1] as const;
/** Up and down again, each input once on each side but the turning point. */
const sequence: readonly Pick<CalPoint, 'at' | 'direction'>[] = [
  ...INPUTS.map((at) => ({ at, direction: 'up' as const })),
  ...INPUTS.slice(0, -1).reverse().map((at) => ({ at, direction: 'down' as const })),
]; // prettier-ignore

const spotAt: Readonly<Record<number, Spot>> = { 0: 'low', 0.5: 'mid', 1: 'high' };
export const inputOfSpot: Readonly<Record<Spot, number>> = { low: 0, mid: 0.5, high: 1 };
export const adjusterOfScrew = (screw: ScrewName): string => (screw === 'zero' ? MAIN : screw);

/** The plate of a run that is judged by points; another is a bug of the procedure. */
export function instrumentOf({ started }: Pick<Run, 'started'>): InstrumentPlate {
  if (!isInstrument(started.plate)) throw new Error('a table of points on a valve without a signal');
  return started.plate;
}

/** Output as a share of its span, in the sense of a direct action. */
export function shareOf({ output, action }: InstrumentPlate, value: number): number {
  const share = fractionOf(output, value);
  return share.ok ? (action === 'direct' ? share.value : 1 - share.value) : 0;
}

/** Where the output should begin, and where it should reach the supply: shares of the signal. */
const ENDS: Readonly<Record<number, number>> = { 0: 0.02, 1: 0.98 };
/** Either way of that: within the first and the last 4 % of the signal. */
const ENDS_TOLERANCE = 0.02;

/** The linkage step of a run; undefined where it has none. */
const linkageStep = ({ steps }: Pick<Run, 'steps'>) => steps.find(({ kind }) => kind === 'linkage');

type Begun = Pick<Run, 'started' | 'steps'>;

/** Error of a point, as a share of span: too far open, or begun too early, counts as too much. */
function pointShare(run: Begun, event: Pick<EventOf<'cal_point'>, 'step_id' | 'at' | 'output'>): number {
  const plate = instrumentOf(run);
  const linkage = linkageStep(run);
  if (linkage?.measure !== 'ends' || linkage.id !== event.step_id) return shareOf(plate, event.output);
  const met = fractionOf(plate.input, event.output);
  return event.at + (ENDS[event.at] ?? event.at) - (met.ok ? met.value : 0);
}

export const takenPoint = (run: Begun, event: EventOf<'cal_point'>): TakenPoint => ({
  eventId: event.id,
  at: event.at,
  direction: event.direction,
  pass: event.pass,
  output: event.output,
  share: pointShare(run, event),
  source: event.source,
});

/** What an event tells the linkage's coach: an error at one of its spots coming from below, or a turned screw. */
export function linkageMarks(run: Begun, event: RunEvent): readonly ZeroSpanMark[] {
  if (!isInstrument(run.started.plate)) return [];
  if (event.type === 'turned') {
    const screw = event.adjuster === MAIN ? 'zero' : event.adjuster;
    if (!(screw in spotOf)) return [];
    return [{ kind: 'turned', screw: screw as ScrewName, turns: event.turns }];
  }
  if (event.type !== 'cal_point' || event.direction === 'down') return [];
  const linkage = linkageStep(run);
  if (linkage?.measure === 'ends' && linkage.id !== event.step_id) return [];
  const spot = spotAt[event.at];
  return spot ? [{ kind: 'read', spot, error: pointShare(run, event) - event.at }] : [];
}

/** Key under which it is kept how often a table is gone over, and the dead band found beside it. */
export const passesKey = (stepId: string): string => `passes_${stepId}`;
export const deadBandKey = (stepId: string): string => `dead_band_${stepId}`;

export type PointsView = {
  /** How often the whole range is gone over. */
  readonly passes: number;
  readonly taken: readonly TakenPoint[];
  /** The next point of the sequence; undefined when all are taken. */
  readonly next: (Pick<CalPoint, 'at' | 'direction'> & { readonly pass: number }) | undefined;
  readonly left: number;
  readonly table: Result<PointTable, PointTableError>;
};

/** A table of points as far as it has come. */
export function pointsView(run: Run, stepId: string): PointsView {
  const taken = run.points[stepId] ?? [];
  const passes = Math.max(1, Math.min(9, Math.round(run.measured[passesKey(stepId)] ?? 1)));
  const wanted = Array.from({ length: passes }, (_, i) => sequence.map((each) => ({ ...each, pass: i + 1 }))).flat(); // prettier-ignore
  const isTaken = (each: (typeof wanted)[number]) =>
    taken.some(({ at, direction, pass }) => at === each.at && direction === each.direction && pass === each.pass); // prettier-ignore
  return {
    taken,
    passes,
    next: wanted.find((each) => !isTaken(each)),
    left: Math.max(0, wanted.length - taken.length),
    table: pointTable(taken.map((point) => ({ ...point, output: point.share }))),
  };
}

/** Expanded uncertainty of a point, fraction of span; undefined when the calibrator cannot give the signal. */
export function pointError(run: Run): number | undefined {
  const calibrator = run.gauges.inlet;
  const { scale_reading: scale } = instrumentRules(run.started.house_rules);
  const found = calibrator && pointUncertainty(calibrator, instrumentOf(run).input, scale);
  return found?.ok ? found.value : undefined;
}

/** Zero, span and angularity of a run as the coach sees them. */
export function linkageView(run: Run): ZeroSpanView {
  const plate = instrumentOf(run);
  const rules = instrumentRules(run.started.house_rules);
  const screws = (['zero', 'span', 'angularity'] as const).filter(
    (screw) => screw === 'zero' || plate.others?.[screw] !== undefined,
  );
  const way = (screw: ScrewName) => {
    const own = screw === 'zero' ? plate : plate.others?.[screw];
    return (run.directions[adjusterOfScrew(screw)] ?? own?.clockwise) === 'lowers' ? -PER_TURN : PER_TURN;
  };
  const tolerance = linkageStep(run)?.measure === 'ends' ? ENDS_TOLERANCE : plate.tolerance_span;
  const view = zeroSpanView(run.linkage, {
    screws,
    tolerance,
    uncertainty: pointError(run) ?? tolerance,
    noise: rules.scale_reading / 2,
    spanFactor: plate.family === 'positioner' ? rules.positioner_span_factor : rules.span_factor,
    angularityFactor: rules.angularity_factor,
    perTurn: Object.fromEntries(screws.map((screw) => [screw, way(screw)])),
  });
  const { move } = view;
  return move.kind === 'turn' ? { ...view, move: { ...move, turns: roundTurns(move.turns) } } : view;
}

/** To eighths of a turn, finer where little is left, and never more than three at once. */
const roundTurns = (turns: number): number => {
  const size = Math.abs(turns);
  const parts = size >= 0.25 ? 8 : size >= 0.1 ? 16 : 32;
  return Math.sign(turns) * Math.min(3, Math.max(1 / 32, Math.round(size * parts) / parts));
};

/** Whether a screw was turned since its spot was last read: it is read before anything else. */
export const awaitsReading = (run: Run): Spot | undefined => {
  const last = run.linkage.at(-1);
  return last?.kind === 'turned' ? spotOf[last.screw] : undefined;
};
/** Span moved by a turn before the pointer has shown it: a middling screw. */
const PER_TURN = 0.05;

export type TableStanding = {
  readonly stepId: string;
  readonly points: readonly TakenPoint[];
  readonly result: Result<PointTable, PointTableError>;
};
/** The table that a purpose asks for; undefined where the procedure has none, or none was begun. */
export function tableOf(run: Run, purpose: 'as_found' | 'as_left'): TableStanding | undefined {
  const step = run.steps.find(({ kind, purpose: own }) => kind === 'points' && own === purpose);
  const points = step && run.points[step.id];
  if (!step || !points) return undefined;
  const { left, table } = pointsView(run, step.id);
  const missing = { code: 'prove.points_missing', at: [] } as const;
  return { stepId: step.id, points, result: left > 0 && table.ok ? err(missing) : table };
}
