import { err, ok, type Result } from '../result';

/** Straight pieces that meet: knots at sample places, least squares over all of them. */
export type PiecewiseFit = {
  readonly pieces: 1 | 2 | 3;
  /** x of the knots between the pieces, and the slopes of the pieces. */
  readonly knots: readonly number[];
  readonly slopes: readonly number[];
  /** y at each knot by the line before it and by the line after it. */
  readonly before: readonly number[];
  readonly after: readonly number[];
  readonly rss: number;
  readonly count: number;
};
export type PiecewiseError = { readonly code: 'numerics.too_few_points' | 'numerics.no_time_span' };

/** Running sums of x, y, x², xy, y² from the first sample: any stretch costs two look-ups. */
type Sums = {
  readonly n: Float64Array;
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly xx: Float64Array;
  readonly xy: Float64Array;
  readonly yy: Float64Array;
};

function prefixSums(xs: ArrayLike<number>, ys: ArrayLike<number>): Sums {
  const length = xs.length + 1;
  const make = () => new Float64Array(length);
  const sums = { n: make(), x: make(), y: make(), xx: make(), xy: make(), yy: make() };
  for (let i = 0; i < xs.length; i++) {
    const x = xs[i]!;
    const y = ys[i]!;
    sums.n[i + 1] = i + 1;
    sums.x[i + 1] = sums.x[i]! + x;
    sums.y[i + 1] = sums.y[i]! + y;
    sums.xx[i + 1] = sums.xx[i]! + x * x;
    sums.xy[i + 1] = sums.xy[i]! + x * y;
    sums.yy[i + 1] = sums.yy[i]! + y * y;
  }
  return sums;
}

type Piece = { readonly intercept: number; readonly slope: number; readonly rss: number };

/** Best line through samples from … to − 1. */
function lineOver(s: Sums, from: number, to: number): Piece {
  const n = to - from;
  const x = s.x[to]! - s.x[from]!;
  const y = s.y[to]! - s.y[from]!;
  const xx = s.xx[to]! - s.xx[from]! - (x * x) / n;
  const xy = s.xy[to]! - s.xy[from]! - (x * y) / n;
  const yy = s.yy[to]! - s.yy[from]! - (y * y) / n;
  const slope = xx > 1e-12 ? xy / xx : 0;
  return { slope, intercept: (y - slope * x) / n, rss: Math.max(0, yy - slope * xy) };
}

const LEAST = 4;

/**
 * One, two or three straight pieces fitted exactly: every place of the breaks is tried, each in
 * constant time by prefix sums. Time rises with the square of the number of samples for three
 * pieces, so a long record is thinned to `most` first.
 *
 * @param xs  rising; any unit (origin taken at the first, so that sums stay exact)
 * @param ys  as many values
 * @returns the fit with that many pieces; knots where neighbouring lines cross, else at the last sample before a jump
 * @errors  numerics.too_few_points (4 a piece) · numerics.no_time_span
 */
export function fitPieces(
  xs: ArrayLike<number>,
  ys: ArrayLike<number>,
  pieces: 1 | 2 | 3,
): Result<PiecewiseFit, PiecewiseError> {
  const count = xs.length;
  if (count < LEAST * pieces) return err({ code: 'numerics.too_few_points' });
  const origin = xs[0]!;
  if (!(xs[count - 1]! > origin)) return err({ code: 'numerics.no_time_span' });
  const level = ys[0]!;
  const s = prefixSums(
    Float64Array.from(xs, (x) => x - origin),
    Float64Array.from(ys, (y) => y - level),
  );
  const breaks = bestBreaks(s, count, pieces);
  const edges = [0, ...breaks, count];
  const lines = edges.slice(1).map((to, i) => lineOver(s, edges[i]!, to));
  const knots = breaks.map((at, i) => {
    const low = xs[at - 1]! - origin;
    const high = xs[at]! - origin;
    const [a, b] = [lines[i]!, lines[i + 1]!];
    const cross =
      a.slope === b.slope ? Number.NaN : (b.intercept - a.intercept) / (a.slope - b.slope);
    const reach = high - low;
    // Lines that do not meet there tell of a jump: it began after the last sample of the piece before.
    return origin + (cross >= low - reach && cross <= high + reach ? cross : low);
  });
  const at = (line: Piece, x: number) => level + line.intercept + line.slope * (x - origin);
  const rss = lines.reduce((sum, line) => sum + line.rss, 0);
  return ok({
    pieces,
    knots,
    slopes: lines.map(({ slope }) => slope),
    before: knots.map((x, i) => at(lines[i]!, x)),
    after: knots.map((x, i) => at(lines[i + 1]!, x)),
    rss,
    count,
  });
}

/** y of a fit at x. */
export function onPieces({ knots, slopes, before, after }: PiecewiseFit, x: number): number {
  if (knots.length === 0) return Number.NaN;
  const past = knots.findLastIndex((knot) => x >= knot);
  return past === -1
    ? before[0]! + slopes[0]! * (x - knots[0]!)
    : after[past]! + slopes[past + 1]! * (x - knots[past]!);
}

function bestBreaks(s: Sums, count: number, pieces: 1 | 2 | 3): readonly number[] {
  if (pieces === 1) return [];
  let best = Number.POSITIVE_INFINITY;
  let breaks: readonly number[] = [];
  if (pieces === 2) {
    for (let i = LEAST; i <= count - LEAST; i++) {
      const rss = lineOver(s, 0, i).rss + lineOver(s, i, count).rss;
      if (rss < best) [best, breaks] = [rss, [i]];
    }
    return breaks;
  }
  for (let i = LEAST; i <= count - 2 * LEAST; i++) {
    const first = lineOver(s, 0, i).rss;
    if (first >= best) continue;
    for (let j = i + LEAST; j <= count - LEAST; j++) {
      const rss = first + lineOver(s, i, j).rss + lineOver(s, j, count).rss;
      if (rss < best) [best, breaks] = [rss, [i, j]];
    }
  }
  return breaks;
}

/**
 * How sure more pieces are against one line: 1 less the p-value of an F-test.
 *
 *     F = ((rss₁ − rssₖ)/(pₖ − p₁)) / (rssₖ/(n − pₖ)),   pₖ = 3k − 1 with the breaks counted
 *
 * @source the tail by the Wilson–Hilferty normal approximation to F
 */
export function surenessOfPieces(one: PiecewiseFit, more: PiecewiseFit, floor: number): number {
  const extra = 3 * (more.pieces - one.pieces);
  const left = more.count - (3 * more.pieces - 1);
  if (left < 1) return 0;
  const variance = Math.max(more.rss / left, floor);
  const f = Math.max(0, (one.rss - more.rss) / extra / variance);
  const [a, b] = [2 / (9 * extra), 2 / (9 * left)];
  const cube = Math.cbrt(f);
  const z = ((1 - b) * cube - (1 - a)) / Math.sqrt(b * cube ** 2 + a);
  return z > 8 ? 1 : 1 / (1 + Math.exp(-1.702 * z));
}
