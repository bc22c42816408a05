import { err, ok, type Result } from '../result';
import { ORIGIN, type Edge } from './compile-rules';

export type LeastSolution = {
  /** Value of every node, −Infinity where nothing holds it up. */
  readonly values: readonly number[];
  /** Edge that decides each node; undefined at the origin and where nothing does. */
  readonly deciding: readonly (Edge | undefined)[];
};
/** Edges of one cycle that asks a node to stand above itself, in order round the cycle. */
export type Clash = { readonly edges: readonly Edge[]; readonly excess: number };

/** Pa below which two sums count as equal. */
const EXACT = 1e-6;

/**
 * Least values that satisfy every edge, by Bellman–Ford on longest paths with a work list; a node
 * that would rise for ever, or an origin that would, is a cycle of rules that clash.
 *
 * @param count  nodes, the origin included
 * @errors  the clash: dropping any one of its edges resolves it
 */
export function leastSolution(count: number, edges: readonly Edge[]): Result<LeastSolution, Clash> {
  const values = new Array<number>(count).fill(Number.NEGATIVE_INFINITY);
  const deciding = new Array<Edge | undefined>(count).fill(undefined);
  const leaving: Edge[][] = Array.from({ length: count }, () => []);
  for (const edge of edges) leaving[edge.from]!.push(edge);
  values[ORIGIN] = 0;
  let wave = [ORIGIN];
  const isWaiting = new Array<boolean>(count).fill(false);
  for (let round = 0; wave.length > 0; round++) {
    const next: number[] = [];
    for (const from of wave) isWaiting[from] = false;
    for (const from of wave)
      for (const edge of leaving[from]!) {
        const value = values[from]! + edge.weight;
        if (value <= values[edge.to]! + EXACT) continue;
        values[edge.to] = value;
        deciding[edge.to] = edge;
        if (edge.to === ORIGIN || round > count) {
          const clash = cycleAt(edge.to, deciding, count);
          if (clash) return err(clash);
        }
        if (!isWaiting[edge.to]) next.push(edge.to);
        isWaiting[edge.to] = true;
      }
    wave = next;
  }
  return ok({ values, deciding });
}

/** The cycle that the deciding edges close behind a node. */
function cycleAt(
  start: number,
  deciding: readonly (Edge | undefined)[],
  count: number,
): Clash | undefined {
  let at = start;
  for (let i = 0; i < count; i++) {
    const edge = deciding[at];
    if (!edge) return undefined;
    at = edge.from;
  }
  const edges: Edge[] = [];
  let node = at;
  do {
    const edge = deciding[node]!;
    edges.unshift(edge);
    node = edge.from;
  } while (node !== at);
  return { edges, excess: edges.reduce((sum, { weight }) => sum + weight, 0) };
}
