import { leastSquares } from '../numerics';
import {
  errorSd,
  expectedError,
  replay,
  screwAt,
  spotOf,
  spots,
  type Replay,
  type Row,
  type ScrewName,
  type Spot,
  type ZeroSpanMark,
  type ZeroSpanOptions,
} from './zero-span-belief';

export { screwAt, spotOf, spots };
export type { ScrewName, Spot, ZeroSpanMark, ZeroSpanOptions };

export type ZeroSpanMove =
  | { readonly kind: 'go'; readonly spot: Spot; readonly why: 'unread' | 'moved_since' }
  | {
      readonly kind: 'turn';
      readonly spot: Spot;
      readonly screw: ScrewName;
      /** Error that the spot should show afterwards: what the other screws will take back again. */
      readonly comeTo: number;
      /** Turns clockwise that this should take. */
      readonly turns: number;
      readonly why: 'disturbs_most' | 'last_of_all';
    }
  | { readonly kind: 'done' }
  | { readonly kind: 'cannot_judge' };

/** What a turn of one screw, seen as 1 at its own spot, moves at another. */
export type Interaction = {
  readonly screw: ScrewName;
  readonly spot: Spot;
  readonly mean: number;
  readonly sd: number;
};

export type ZeroSpanView = {
  /** Error expected at each spot now; `isStale` when a screw has moved since it was read. */
  readonly errors: Readonly<
    Partial<Record<Spot, { readonly error: number; readonly isStale: boolean }>>
  >;
  readonly move: ZeroSpanMove;
  readonly interactions: readonly Interaction[];
  /** Span moved by a turn at the screw’s own spot, as far as it has shown itself. */
  readonly perTurn: Readonly<Partial<Record<ScrewName, number>>>;
  /** Rounds over all spots still to be expected, the verifying one included. */
  readonly roundsToGo: number;
  /** Two screws do nearly the same, so each undoes the other; 0 alike … 1 independent. */
  readonly independence: number;
};

/** The screw that disturbs most goes first, the one that moves all alike last. */
const ORDER: readonly ScrewName[] = ['angularity', 'span', 'zero'];
/** Share of the allowed error that the fewest screws must bring every spot under. */
const ENOUGH = 0.6;

/**
 * Which screw next, at which spot, and the reading to come to: zero, span and angularity as one
 * system instead of one after the other.
 *
 * A move is counted as it is seen at the screw’s own spot. What it does elsewhere is an unknown
 * with a first guess from the house factors; every reading at another spot teaches it (a Kalman
 * step for each spot). The fewest screws that can bring all spots in are solved for together, so
 * the first is set to what the next takes back. A spot that has been moved by an unknown amount is
 * looked at before anything else is turned.
 *
 * @param marks  in the order they happened
 */
export function zeroSpanView(
  marks: readonly ZeroSpanMark[],
  options: ZeroSpanOptions,
): ZeroSpanView {
  const used = spots.filter((spot) => options.screws.includes(screwAt[spot]));
  const state = replay(marks, used, options);
  const allowed = options.tolerance - options.uncertainty;
  const matrix = used.map((_, i) => state.rows[i]!.mean);
  const view = (move: ZeroSpanMove, roundsToGo: number): ZeroSpanView => ({
    errors: errorsOf(state, used),
    move,
    roundsToGo,
    interactions: interactionsOf(state.rows, used),
    perTurn: state.perTurn,
    independence: Math.abs(determinant(matrix)),
  });
  if (!(allowed > 0)) return view({ kind: 'cannot_judge' }, 0);
  const unread = used.find((_, i) => !state.spots[i]!.isRead);
  if (unread) return view({ kind: 'go', spot: unread, why: 'unread' }, 2);
  const now = used.map((_, i) => expectedError(state, i));
  const isStale = (i: number) => state.spots[i]!.moved.some((move, j) => j !== i && move !== 0);
  // What is just within may read just beyond the next time: it is brought in until a reading's scatter fits too.
  const within = Math.max(ENOUGH * allowed, allowed - options.guard);
  if (now.every((error) => Math.abs(error) <= within)) {
    const stale = used.find((_, i) => isStale(i));
    return stale
      ? view({ kind: 'go', spot: stale, why: 'moved_since' }, 1)
      : view({ kind: 'done' }, 0);
  }
  const needs = fewestNeeds(matrix, now, used, ENOUGH * allowed);
  const unsure = used.find((_, i) => errorSd(state, i) > allowed / 2);
  const screw = ORDER.find((each) => (needs[used.indexOf(spotOf[each])] ?? 0) !== 0) ?? 'zero';
  // One round when only zero is left, else two; another when what the moves will do is not sure.
  const rounds =
    (screw === 'zero' ? 2 : 3) - chanceAllHold(state.rows, needs, allowed, options.noise);
  const spot = unsure ?? spotOf[screw];
  const i = used.indexOf(spot);
  if (unsure || isStale(i)) return view({ kind: 'go', spot, why: 'moved_since' }, rounds);
  return view(
    {
      kind: 'turn',
      spot,
      screw,
      comeTo: now[i]! + needs[i]!,
      turns: needs[i]! / (state.perTurn[screw] ?? 0.1),
      why: screw === 'zero' ? 'last_of_all' : 'disturbs_most',
    },
    rounds,
  );
}

/** Moves of the fewest screws, zero first, that bring every spot within a bound; of all of them when none do. */
function fewestNeeds(
  matrix: readonly (readonly number[])[],
  now: readonly number[],
  used: readonly Spot[],
  within: number,
): readonly number[] {
  const order = [...ORDER].reverse().map((screw) => used.indexOf(spotOf[screw]));
  const present = order.filter((j) => j >= 0);
  let needs: readonly number[] = now.map(() => 0);
  for (let count = 1; count <= present.length; count++) {
    const turned = present.slice(0, count);
    const columns = turned.map((j) => matrix.map((row) => row[j]!));
    const fit = leastSquares(
      columns,
      now.map((error) => -error),
    );
    if (!fit.ok) break;
    needs = now.map((_, j) =>
      turned.includes(j) ? fit.value.coefficients[turned.indexOf(j)]! : 0,
    );
    const left = now.map(
      (error, i) => error + matrix[i]!.reduce((sum, r, j) => sum + r * needs[j]!, 0),
    );
    if (left.every((error) => Math.abs(error) <= within)) break;
  }
  return needs;
}

const errorsOf = (state: Replay, used: readonly Spot[]): ZeroSpanView['errors'] =>
  Object.fromEntries(
    used.flatMap((spot, i) => {
      const { isRead, moved } = state.spots[i]!;
      const isStale = moved.some((move, j) => j !== i && move !== 0);
      return isRead ? [[spot, { error: expectedError(state, i), isStale }]] : [];
    }),
  );

/** Chance that every spot holds after the moves asked for, spots taken as independent. */
function chanceAllHold(
  rows: readonly Row[],
  needs: readonly number[],
  allowed: number,
  noise: number,
): number {
  const chance = rows.reduce((product, { variance }) => {
    const spread = variance.reduce(
      (sum, line, j) => sum + line.reduce((inner, v, k) => inner + v * needs[j]! * needs[k]!, 0),
      0,
    );
    const sd = Math.sqrt(Math.max(0, spread) + noise ** 2);
    // 1 − exp(−z²·0.7) follows the chance within z standard deviations to two hundredths.
    return product * (1 - Math.exp(-0.7 * (allowed / sd) ** 2));
  }, 1);
  return chance;
}

const interactionsOf = (rows: readonly Row[], used: readonly Spot[]): Interaction[] =>
  rows.flatMap(({ mean, variance }, i) =>
    used.flatMap((other, j) =>
      i === j
        ? []
        : [
            {
              screw: screwAt[other],
              spot: used[i]!,
              mean: mean[j]!,
              sd: Math.sqrt(Math.max(0, variance[j]![j]!)),
            },
          ],
    ),
  );

/** Determinant by elimination; 1 for screws that leave each other alone. */
function determinant(matrix: readonly (readonly number[])[]): number {
  const m = matrix.map((row) => [...row]);
  let product = 1;
  for (let k = 0; k < m.length; k++) {
    const pivot = m.findIndex((row, i) => i >= k && Math.abs(row[k]!) > 1e-12);
    if (pivot === -1) return 0;
    if (pivot !== k) {
      [m[k], m[pivot]] = [m[pivot]!, m[k]!];
      product = -product;
    }
    product *= m[k]![k]!;
    for (let i = k + 1; i < m.length; i++) {
      const factor = m[i]![k]! / m[k]![k]!;
      for (let j = k; j < m.length; j++) m[i]![j]! -= factor * m[k]![j]!;
    }
  }
  return product;
}
