import { independentOf } from './dying-out';
import { leastSquares } from './least-squares';

/** A bend of a curve, and between what it surely lies. */
export type Kink = {
  /** x and y of the bend, y by the curve before it. */
  readonly x: number;
  readonly y: number;
  /** Bounds of y that hold it nine times in ten. */
  readonly low: number;
  readonly high: number;
  /** Logarithm of how much likelier a bend makes the samples than the best smooth curve with as many freedoms. */
  readonly says: number;
};

type Readings = {
  readonly resolution: number;
  readonly isJumping: boolean;
  readonly independent: number;
};

/** Samples that must lie on either side. */
const LEAST = 5;
/** What the likelihood may lose within the bounds: half the 90 % quantile of chi-square, and what made ramps want beyond. */
const NINE_IN_TEN = (1.3 * 2.706) / 2;
/** And of a normal, in standard deviations. */
const NINETY = 1.645;

/**
 * Where a gently bent curve changes its slope at once.
 *
 *     y = a + b·x + c·x² + d·(x − k)₊          against   y = a + b·x + c·x² + e·x³
 *
 * k between two samples is tried at even steps, and every one about the best. Samples that scatter alike with their
 * neighbours count less, so that slow noise makes no bend and the bounds are honest.
 *
 * @param xs          rising; any unit
 * @param ys          as many values
 * @param noise       what is known of the readings: their resolution, whether y may leap at the bend too, as where a
 *                    valve pops, and the share of them that is independent at most
 * @returns undefined where there are too few samples
 */
export function fitKink(
  xs: ArrayLike<number>,
  ys: ArrayLike<number>,
  { resolution, isJumping, independent }: Readings,
): Kink | undefined {
  const count = xs.length;
  if (count < 2 * LEAST + 2) return undefined;
  const scale = xs[count - 1]! - xs[0]!;
  if (!(scale > 0)) return undefined;
  const x = Array.from(xs, (each) => (each - xs[0]!) / scale);
  const y = Array.from(ys);
  const smooth = [x.map(() => 1), x, x.map((each) => each ** 2)];
  const tryAt = (i: number): Try | undefined => {
    const knot = (x[i - 1]! + x[i]!) / 2;
    const bent = [...smooth, x.map((each) => Math.max(0, each - knot))];
    if (isJumping) bent.push(x.map((each) => (each > knot ? 1 : 0)));
    const fit = leastSquares(bent, y);
    if (!fit.ok) return undefined;
    const { coefficients, rss } = fit.value;
    const [a = 0, b = 0, c = 0] = coefficients;
    return { i, knot, at: a + b * knot + c * knot ** 2, rss, coefficients };
  };
  const plain = leastSquares([...smooth, x.map((each) => each ** 3)], y);
  const tries = triesOver(count, tryAt);
  if (tries.length === 0 || !plain.ok) return undefined;
  const best = bestOf(tries);
  const residuals = y.map((value, i) => value - valueOf(best, x[i]!));
  const share = Math.min(independent, independentOf(residuals, resolution) / count);
  const freedom = Math.max(1, count * share - (isJumping ? 6 : 5));
  const variance = Math.max((share * best.rss) / freedom, resolution ** 2 / 12);
  const lost = (rss: number) => (share * (rss - best.rss)) / (2 * variance);
  const likely = tries.filter(({ rss }) => lost(rss) <= NINE_IN_TEN).map(({ at }) => at);
  const step = Math.abs(valueOf(best, best.knot) - valueOf(best, best.knot - 1 / count)) / 2;
  // The end of a quadratic over n readings varies nine times as much as their mean.
  const before = Math.max(1, count * best.knot * share);
  const curve = NINETY * Math.sqrt((9 * variance) / before);
  return {
    x: xs[0]! + best.knot * scale,
    y: best.at,
    low: best.at - Math.hypot(best.at - Math.min(...likely) + step, curve),
    high: best.at + Math.hypot(Math.max(...likely) - best.at + step, curve),
    says: lost(plain.value.rss),
  };
}

/** Steps in which a record is gone through before it is looked at closely. */
const STEPS = 60;

function triesOver(count: number, tryAt: (i: number) => Try | undefined): readonly Try[] {
  const stride = Math.max(1, Math.ceil((count - 2 * LEAST) / STEPS));
  const tried = new Map<number, Try>();
  const go = (i: number) => {
    if (i < LEAST || i > count - LEAST || tried.has(i)) return;
    const found = tryAt(i);
    if (found) tried.set(i, found);
  };
  for (let i = LEAST; i <= count - LEAST; i += stride) go(i);
  if (tried.size === 0) return [];
  const about = bestOf([...tried.values()]).i;
  for (let i = about - 2 * stride; i <= about + 2 * stride; i++) go(i);
  return [...tried.values()];
}

const bestOf = (tries: readonly Try[]): Try =>
  tries.reduce((one, other) => (other.rss < one.rss ? other : one));

type Try = {
  /** Of the first sample behind it. */
  readonly i: number;
  readonly knot: number;
  readonly at: number;
  readonly rss: number;
  readonly coefficients: readonly number[];
};

function valueOf({ knot, coefficients }: Try, x: number): number {
  const [a = 0, b = 0, c = 0, bend = 0, jump = 0] = coefficients;
  return a + b * x + c * x ** 2 + bend * Math.max(0, x - knot) + (x > knot ? jump : 0);
}
