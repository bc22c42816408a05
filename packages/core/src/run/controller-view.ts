import { alignmentOf, type Alignment, type AlignmentError } from '../prove';
import { spanOf } from '../quantity';
import type { Result } from '../result';
import { fitStep, type StepError, type StepFit } from '../tune';
import { instrumentRules, type ControllerPlate } from '../valve';
import type { Run, SweptBand } from './state';

/** Bands of a sweep as gains, from narrow reverse through wide to narrow direct. */
export const SWEEP_GAINS = [-5, -1, -0.2, 0.2, 1, 5] as const;
/** Keys under which the settings that were dialled are kept. */
export const DIALLED = { band: 'band_percent', reset: 'reset_minutes' } as const;

/** Pointers moved by a turn of the alignment, as a share of their scale, before it has shown itself. */
const PER_TURN = 0.02;

export type SweepView = {
  /** Bands since the alignment was last turned. */
  readonly taken: readonly SweptBand[];
  readonly nextGain: number | undefined;
  readonly alignment: Result<Alignment, AlignmentError>;
  /** Turns clockwise that bring the pointers together; undefined while it is flat, or not swept yet. */
  readonly turns: number | undefined;
};

const controllerOf = ({ started }: Pick<Run, 'started'>): ControllerPlate => {
  if (started.plate.family !== 'controller') throw new Error('a sweep on a valve without a band');
  return started.plate;
};

/** A sweep of the band as far as it has come, and which way to realign. */
export function sweepView(run: Run): SweepView {
  const plate = controllerOf(run);
  const turned = (run.marks['alignment'] ?? []).flatMap((mark) => (mark.kind === 'turned' ? [mark] : []));
  const since = turned.at(-1)?.atMs ?? 0;
  const judge = (bands: readonly SweptBand[]) =>
    alignmentOf(bands, Math.abs(spanOf(plate.out)), instrumentRules(run.started.house_rules).alignment_tolerance_pa);
  const taken = run.sweeps.filter(({ atMs }) => atMs >= since);
  const nextGain = SWEEP_GAINS.find((gain) => !taken.some((band) => band.gain === gain));
  const alignment = judge(taken);
  const isWhole = nextGain === undefined && alignment.ok;
  return {
    taken,
    nextGain,
    alignment,
    turns: isWhole && alignment.value.verdict === 'leans' ? thirtySeconds(-alignment.value.offset / perTurn(run, turned, judge)) : undefined,
  };
} // prettier-ignore

/** What a turn of the alignment moves: learned from the sweeps before and after the last one. */
function perTurn(
  run: Run,
  turned: readonly { readonly turns: number; readonly atMs: number }[],
  judge: (bands: readonly SweptBand[]) => Result<Alignment, AlignmentError>,
): number {
  const last = turned.at(-1);
  const guess = controllerOf(run).others?.['alignment']?.clockwise === 'lowers' ? -PER_TURN : PER_TURN;
  if (!last) return guess;
  const start = turned.at(-2)?.atMs ?? 0;
  const before = judge(run.sweeps.filter(({ atMs }) => atMs >= start && atMs < last.atMs));
  const after = judge(run.sweeps.filter(({ atMs }) => atMs >= last.atMs));
  if (!before.ok || !after.ok) return guess;
  const seen = (after.value.offset - before.value.offset) / last.turns;
  return Math.abs(seen) > 1e-4 ? seen : guess;
}

const thirtySeconds = (turns: number): number =>
  Math.sign(turns) * Math.min(3, Math.max(1 / 32, Math.round(Math.abs(turns) * 32) / 32));

/** The model that the step test of a run fits; undefined before there was one. */
export const stepFitOf = ({ stepTest }: Pick<Run, 'stepTest'>): Result<StepFit, StepError> | undefined =>
  stepTest.length === 0 ? undefined : fitStep(stepTest);

/** Band in % and reset in minutes a repeat as they were dialled in this run; undefined before. */
export const dialledIn = ({ measured }: Pick<Run, 'measured'>) => {
  const { [DIALLED.band]: band, [DIALLED.reset]: reset } = measured;
  return band === undefined || reset === undefined ? undefined : { band, reset };
};
