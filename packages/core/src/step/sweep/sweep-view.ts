import { alignmentOf, type Alignment, type AlignmentError } from '../../prove';
import { spanOf } from '../../quantity';
import type { Result } from '../../result';
import { hasBand, instrumentRules, type BandPlate } from '../../valve';
import { recordOf, stepsOfKind, type RunState } from '../run-state';
import type { SweptBand } from './shape';

/** Bands of a sweep as gains, from narrow reverse through wide to narrow direct. */
export const SWEEP_GAINS = [-5, -1, -0.2, 0.2, 1, 5] as const;

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

const controllerOf = ({ started }: Pick<RunState, 'started'>): BandPlate => {
  if (!hasBand(started.plate)) throw new Error('a sweep on a valve without a band');
  return started.plate;
};

/** A sweep of the band as far as it has come, and which way to realign. */
export function sweepView(run: RunState): SweepView {
  const plate = controllerOf(run);
  const turned = (run.marks['alignment'] ?? []).flatMap((mark) =>
    mark.kind === 'turned' ? [mark] : [],
  );
  const since = turned.at(-1)?.atMs ?? 0;
  const judge = (bands: readonly SweptBand[]) =>
    alignmentOf(
      bands,
      Math.abs(spanOf(plate.out)),
      instrumentRules(run.started.house_rules).alignment_tolerance_pa,
    );
  const taken = bandsOf(run).filter(({ atMs }) => atMs >= since);
  const nextGain = SWEEP_GAINS.find((gain) => !taken.some((band) => band.gain === gain));
  const alignment = judge(taken);
  const isWhole = nextGain === undefined && alignment.ok;
  return {
    taken,
    nextGain,
    alignment,
    turns:
      isWhole && alignment.value.verdict === 'leans'
        ? thirtySeconds(-alignment.value.offset / perTurn(run, turned, judge))
        : undefined,
  };
}

/** What a turn of the alignment moves: learned from the sweeps before and after the last one. */
function perTurn(
  run: RunState,
  turned: readonly { readonly turns: number; readonly atMs: number }[],
  judge: (bands: readonly SweptBand[]) => Result<Alignment, AlignmentError>,
): number {
  const last = turned.at(-1);
  const guess =
    controllerOf(run).others?.['alignment']?.clockwise === 'lowers' ? -PER_TURN : PER_TURN;
  if (!last) return guess;
  const start = turned.at(-2)?.atMs ?? 0;
  const before = judge(bandsOf(run).filter(({ atMs }) => atMs >= start && atMs < last.atMs));
  const after = judge(bandsOf(run).filter(({ atMs }) => atMs >= last.atMs));
  if (!before.ok || !after.ok) return guess;
  const seen = (after.value.offset - before.value.offset) / last.turns;
  return Math.abs(seen) > 1e-4 ? seen : guess;
}

const thirtySeconds = (turns: number): number =>
  Math.sign(turns) * Math.min(3, Math.max(1 / 32, Math.round(Math.abs(turns) * 32) / 32));

const bandsOf = (run: RunState): readonly SweptBand[] =>
  stepsOfKind(run, 'sweep').flatMap((step) => recordOf(run, step).bands);

/** The sweep is whole and the output stayed put. */
export const isFlat = (run: RunState): boolean => {
  const { nextGain, alignment } = sweepView(run);
  return nextGain === undefined && alignment.ok && alignment.value.verdict === 'flat';
};
