import { pointUncertainty } from '../../gauge';
import { pointTable, type CalPoint, type PointTable, type PointTableError } from '../../prove';
import { fractionOf } from '../../quantity';
import { err, type Result } from '../../result';
import { instrumentRules, isInstrument, type InstrumentPlate } from '../../valve';
import type { StepRefusal } from '../behaviour';
import { recordOf, stepsOfKind, type RunState } from '../run-state';
import type { EntryDraft } from '../shapes';
import type { TakenPoint } from './shape';

const INPUTS = [0, 0.25, 0.5, 0.75, 1] as const;
/** Up and down again, each input once on each side but the turning point. */
const sequence: readonly Pick<CalPoint, 'at' | 'direction'>[] = [
  ...INPUTS.map((at) => ({ at, direction: 'up' as const })),
  ...INPUTS.slice(0, -1)
    .reverse()
    .map((at) => ({ at, direction: 'down' as const })),
];

/** The plate of a run that is judged by points; another is a bug of the procedure. */
export function instrumentOf({ started }: Pick<RunState, 'started'>): InstrumentPlate {
  if (!isInstrument(started.plate))
    throw new Error('a table of points on a valve without a signal');
  return started.plate;
}

/** Output as a share of its span, in the sense of a direct action. */
export function shareOf({ output, action }: InstrumentPlate, value: number): number {
  const share = fractionOf(output, value);
  return share.ok ? (action === 'direct' ? share.value : 1 - share.value) : 0;
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

/** A stem that is driven onto its stops stands there, whatever its scale shows beyond them. */
const judgedShare = (run: RunState, share: number): number =>
  stepsOfKind(run, 'linkage').some(({ stops }) => stops) ? Math.min(1, Math.max(0, share)) : share;

/** A table of points as far as it has come. */
export function pointsView(run: RunState, stepId: string): PointsView {
  const taken = pointsOf(run, stepId);
  const passes = Math.max(1, Math.min(9, Math.round(run.measured[passesKey(stepId)] ?? 1)));
  const wanted = Array.from({ length: passes }, (_, i) =>
    sequence.map((each) => ({ ...each, pass: i + 1 })),
  ).flat();
  const isTaken = (each: (typeof wanted)[number]) =>
    taken.some(
      ({ at, direction, pass }) =>
        at === each.at && direction === each.direction && pass === each.pass,
    );
  return {
    taken,
    passes,
    next: wanted.find((each) => !isTaken(each)),
    left: Math.max(0, wanted.length - taken.length),
    table: pointTable(taken.map((point) => ({ ...point, output: judgedShare(run, point.share) }))),
  };
}

/** Expanded uncertainty of a point, fraction of span; undefined when the calibrator cannot give the signal. */
export function pointError(run: RunState): number | undefined {
  const calibrator = run.gauges.inlet;
  const { scale_reading: scale } = instrumentRules(run.started.house_rules);
  const found = calibrator && pointUncertainty(calibrator, instrumentOf(run).input, scale);
  return found?.ok ? found.value : undefined;
}

export type TableStanding = {
  readonly stepId: string;
  readonly points: readonly TakenPoint[];
  readonly result: Result<PointTable, PointTableError>;
};
/** The table that a purpose asks for; undefined where the procedure has none, or none was begun. */
export function tableOf(run: RunState, purpose: 'as_found' | 'as_left'): TableStanding | undefined {
  const step = stepsOfKind(run, 'points').find((each) => each.purpose === purpose);
  const points = step ? recordOf(run, step).points : [];
  if (!step || points.length === 0) return undefined;
  const { left, table } = pointsView(run, step.id);
  const missing = { code: 'prove.points_missing', at: [] } as const;
  return { stepId: step.id, points, result: left > 0 && table.ok ? err(missing) : table };
}

/** Points that a table or a linkage has taken. */
export function pointsOf(run: RunState, stepId: string): readonly TakenPoint[] {
  const step = run.steps.find(({ id }) => id === stepId);
  if (step?.kind !== 'points' && step?.kind !== 'linkage') return [];
  return recordOf(run, step).points;
}

/** A point that was taken before at the same place is asked about, not doubled. */
export function pointTwice(
  taken: readonly TakenPoint[],
  draft: EntryDraft,
): StepRefusal | undefined {
  if (draft.type !== 'cal_point') return undefined;
  const { at, direction, pass } = draft;
  const isTaken = taken.some(
    (point) => point.at === at && point.direction === direction && point.pass === pass,
  );
  return isTaken ? { code: 'run.point_twice', at, direction } : undefined;
}
