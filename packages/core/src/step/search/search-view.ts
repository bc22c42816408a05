import { gaugePa, inTurns } from '../../quantity';
import { afterReading, afterTurn, nextMove, startBelief, type NextMove } from '../../coach';
import { crackedAt } from '../capture/captures';
import { lastReading } from '../last-reading';
import type { RunState } from '../run-state';
import { aimOf, standOf, takenUpBy, type Stand } from '../set/setting-view';
import type { StepOf } from '../shapes';

export type SearchView = {
  readonly stand: Stand;
  /** Pressure of the line at which it is looked for; undefined until it has been read. */
  readonly line: number | undefined;
  readonly cracked: number | undefined;
  readonly move: NextMove | undefined;
  readonly turnsMade: number;
};

/** How well a line pressure is known while a valve is looked for, as a share of the tolerance. */
const LINE_SD = 0.1;

/**
 * Lowering a relief until it cracks. Every turn after which nothing showed says only that the
 * setting still stands above the line; the next one is as long as leaves it unlikely to fall
 * through the lane below.
 */
export function searchView(run: RunState, step: StepOf<'search'>): SearchView {
  const stand = standOf(run, step.adjuster);
  const line = lastReading(run, 'line')?.reading.si;
  const cracked = crackedAt(run, step.id);
  const turns = (run.marks[stand.spec.id] ?? []).filter((mark) => mark.kind === 'turned');
  const seen = {
    stand,
    line,
    cracked,
    turnsMade: turns.reduce((sum, mark) => sum + mark.turns, 0),
  };
  if (line === undefined || cracked !== undefined) return { ...seen, move: undefined };
  const tolerance = stand.target.tolerance_pa;
  const sd = LINE_SD * tolerance;
  let belief = startBelief(stand.prior, {
    reading: gaugePa(line),
    readingSd: sd,
    takenUp: takenUpBy(stand.parked, stand.prior),
    parkedAt: inTurns(stand.own.travel_turns),
  });
  for (const { turns: made } of turns)
    belief = afterReading(afterTurn(belief, inTurns(made)), gaugePa(line), { sd, ceiling: line });
  const aim = {
    ...aimOf(run, stand),
    target: gaugePa(line),
    lower: gaugePa(line - tolerance),
    upper: gaugePa(line + tolerance),
    limit: gaugePa(Number.POSITIVE_INFINITY),
  };
  // A reading far above keeps "done" from being said: only the eye says that it cracks.
  const move = nextMove(belief, gaugePa(Number.MAX_SAFE_INTEGER), {
    ...aim,
    approach: 'from_above',
    guard: 0,
  });
  const smallest = run.started.house_rules.search_turn;
  return {
    ...seen,
    move:
      move.kind === 'stuck' && move.why === 'no_safe_move' ? creep(stand, line, smallest) : move,
  };
}

/** The least move that is worth waiting for, when the coach cannot tell how far it is. */
function creep({ prior }: Stand, line: number, size: number): NextMove {
  const turns = prior.direction === 'lowers' ? size : -size;
  const predicted = {
    mean: gaugePa(line),
    low: gaugePa(line - size * prior.rate),
    high: gaugePa(line),
  };
  return { kind: 'turn', turns: inTurns(turns), predicted, chancePastLane: 0 };
}
