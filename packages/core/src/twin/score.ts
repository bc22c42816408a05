import type { Result } from '../result';
import { reduceRun, type EventOf, type Run, type RunEvent, type RunError } from '../run';
import { targetOf, type TwinFault } from '../valve';
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

export type Score = {
  readonly own: HandTally;
  /** The coach's advice followed to the letter, on the same twin from the same start. */
  readonly master: HandTally;
  /** What was moved for the job and is not back. */
  readonly leftOpen: number;
  /** What was wrong with the twin, and whether the run's outcome says that something was. */
  readonly faults: readonly TwinFault[];
  readonly hasNoticed: boolean;
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

/** The same start, carried out as the coach advises. */
function masterOf(started: EventOf<'started'>): HandTally | undefined {
  const twin = twinOf(started);
  if (!twin) return undefined;
  let count = 0;
  const { run } = rehearse({
    started,
    runId: `${started.run_id}-master`,
    twin,
    author: started.author,
    startAtMs: started.at_ms,
    newId: () => `m${String(++count).padStart(6, '0')}`,
  });
  return tallyOf(run);
}

/** Whether the run ended as one that found something: ended early, condemned, or with a proof that failed. */
const noticed = (run: Run, provedWell: boolean): boolean =>
  run.ended !== undefined || run.condemned !== undefined || !provedWell;

/**
 * How a practised run compares with the master's on the same twin.
 *
 * @param events      of one practice run, in any order
 * @param provedWell  whether its sheet says that everything was proved
 * @returns undefined where the run was no practice
 */
export function scoreOf(
  events: readonly RunEvent[],
  provedWell: boolean,
): Result<Score | undefined, RunError> {
  const reduced = reduceRun(events);
  if (!reduced.ok) return reduced;
  const run = reduced.value;
  const master = masterOf(run.started);
  if (!master) return { ok: true, value: undefined };
  const own = tallyOf(run);
  const leftOpen = run.openEnds.filter(({ state }) => state !== 'closed').length;
  const faults = run.started.twin?.faults ?? [];
  const hasNoticed = faults.length === 0 || noticed(run, provedWell);
  const lost =
    Math.min(COSTS.mostForMoves, COSTS.moveMore * Math.max(0, own.moves - master.moves)) +
    COSTS.pastLane * Math.max(0, own.pastLane - master.pastLane) +
    (own.pastLimit > master.pastLimit ? COSTS.pastLimit : 0) +
    COSTS.leftOpen * leftOpen +
    (hasNoticed ? 0 : COSTS.notNoticed);
  return {
    ok: true,
    value: { own, master, leftOpen, faults, hasNoticed, points: Math.max(0, 100 - lost) },
  };
}
