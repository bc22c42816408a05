import type { Result } from '../result';
import { reduceRun, type EventOf, type Run, type RunEvent, type RunError } from '../run';
import { targetOf, type TwinFault } from '../valve';
import { causesOfFault, namedCauses } from './cases';
import { rehearse } from './rehearse';
import { twinOf } from './replay';

/** What a hand did on a twin. */
export type HandTally = {
  /** Turns of an adjuster, without those that were taken back. */
  readonly moves: number;
  /** Times that a lane was left on its far side, and that a limit was passed. */
  readonly pastLane: number;
  readonly pastLimit: number;
};

/** One move of a hand, and what was read after it; undefined before anything was read. */
export type HandMove = { readonly turns: number; readonly pressure: number | undefined };

/** Whether what was wrong was found: by a check that could tell it, by luck, or something else was named. */
export type Found = 'nothing_named' | 'by_evidence' | 'by_luck' | 'wrong';

export type Score = {
  readonly own: HandTally;
  /** The coach's advice followed to the letter, on the same twin from the same start. */
  readonly master: HandTally;
  /** What was moved for the job and is not back. */
  readonly leftOpen: number;
  /** What was wrong with the twin, and whether the run's outcome says that something was. */
  readonly faults: readonly TwinFault[];
  readonly hasNoticed: boolean;
  readonly found: Found;
  /** The leading adjuster, move by move, by both. */
  readonly ownMoves: readonly HandMove[];
  readonly masterMoves: readonly HandMove[];
  /** Minutes from the start to the last entry. */
  readonly minutes: number;
  /** 0 … 100. */
  readonly points: number;
};

/** Points that each thing costs. */
const COSTS = {
  moveMore: 6,
  mostForMoves: 30,
  pastLane: 8,
  pastLimit: 30,
  leftOpen: 15,
  notNoticed: 25,
  wronglyNamed: 15,
  byLuck: 5,
} as const;

/** Moves, and what they passed: a reading of what is set that lies beyond the lane, or its limit. */
function tallyOf(run: Run): HandTally {
  const tally = { moves: 0, pastLane: 0, pastLimit: 0 };
  for (const [adjuster, marks] of Object.entries(run.marks)) {
    const target = targetOf(run.started, adjuster);
    let isPast = false;
    let hasTurned = false;
    for (const mark of marks) {
      if (mark.kind === 'turned') {
        tally.moves += 1;
        hasTurned = true;
        continue;
      }
      if (!target || !hasTurned || !mark.inControl) continue;
      if (mark.pressure > target.limit_pa) tally.pastLimit += 1;
      const is = mark.pressure > target.set_point_pa + target.tolerance_pa;
      if (is && !isPast) tally.pastLane += 1;
      isPast = is;
    }
  }
  return tally;
}

/** The leading adjuster's turns, each with the last reading before the next. */
function movesOf(run: Run): readonly HandMove[] {
  const moves: { turns: number; pressure: number | undefined }[] = [];
  for (const mark of run.marks[run.adjusters[0]?.id ?? ''] ?? [])
    if (mark.kind === 'turned') moves.push({ turns: mark.turns, pressure: undefined });
    else if (moves.length > 0) moves.at(-1)!.pressure = mark.pressure;
  return moves;
}

/** The same start, carried out as the coach advises. */
function masterOf(started: EventOf<'started'>): Run | undefined {
  const twin = twinOf(started);
  if (!twin) return undefined;
  let count = 0;
  return rehearse({
    started,
    runId: `${started.run_id}-master`,
    twin,
    author: started.author,
    startAtMs: started.at_ms,
    newId: () => `m${String(++count).padStart(6, '0')}`,
  }).run;
}

/** Whether the run ended as one that found something: ended early, condemned, or with a proof that failed. */
const noticed = (run: Run, provedWell: boolean): boolean =>
  run.ended !== undefined || run.condemned !== undefined || !provedWell;

/** What a person says was wrong with it: the id of a cause, or that nothing was. */
export const SOUND_NAME = 'sound';

/** Whether what was named is what was wrong, and whether anything that was asked or proved could tell it. */
function foundBy(run: Run, named: string | undefined, provedWell: boolean): Found {
  if (named === undefined) return 'nothing_named';
  const { plate, twin } = run.started;
  const faults = twin?.faults ?? [];
  if (named === SOUND_NAME) return faults.length === 0 ? 'by_evidence' : 'wrong';
  if (!faults.some((fault) => causesOfFault(plate.family, fault).includes(named))) return 'wrong';
  const cause = namedCauses(plate.family).find(({ id }) => id === named);
  const seen = cause?.check && run.observed[cause.check.key];
  const tells =
    seen === undefined ? 0 : (cause!.likelihood[cause!.check!.key]?.[String(seen)] ?? 0);
  return tells >= 0.5 || noticed(run, provedWell) ? 'by_evidence' : 'by_luck';
}

/** What a practised run came to beyond its entries. */
export type Judged = {
  /** Whether its sheet says that everything was proved. */
  readonly provedWell: boolean;
  /** What the hand says was wrong with it; undefined where it has said nothing. */
  readonly named?: string | undefined;
};

/**
 * How a practised run compares with the master's on the same twin.
 *
 * @param events  of one practice run, in any order
 * @returns undefined where the run was no practice
 */
export function scoreOf(
  events: readonly RunEvent[],
  { provedWell, named }: Judged,
): Result<Score | undefined, RunError> {
  const reduced = reduceRun(events);
  if (!reduced.ok) return reduced;
  const run = reduced.value;
  const masterRun = masterOf(run.started);
  if (!masterRun) return { ok: true, value: undefined };
  const [own, master] = [tallyOf(run), tallyOf(masterRun)];
  const leftOpen = run.openEnds.filter(({ state }) => state !== 'closed').length;
  const faults = run.started.twin?.faults ?? [];
  const hasNoticed = faults.length === 0 || noticed(run, provedWell);
  const found = foundBy(run, named, provedWell);
  const lost =
    Math.min(COSTS.mostForMoves, COSTS.moveMore * Math.max(0, own.moves - master.moves)) +
    COSTS.pastLane * Math.max(0, own.pastLane - master.pastLane) +
    (own.pastLimit > master.pastLimit ? COSTS.pastLimit : 0) +
    COSTS.leftOpen * leftOpen +
    (hasNoticed || found === 'by_evidence' || found === 'by_luck' ? 0 : COSTS.notNoticed) +
    { nothing_named: 0, by_evidence: 0, by_luck: COSTS.byLuck, wrong: COSTS.wronglyNamed }[found];
  return {
    ok: true,
    value: {
      own,
      master,
      leftOpen,
      faults,
      hasNoticed,
      found,
      ownMoves: movesOf(run),
      masterMoves: movesOf(masterRun),
      minutes: (run.lastAtMs - run.started.at_ms) / 60_000,
      points: Math.max(0, 100 - lost),
    },
  };
}
