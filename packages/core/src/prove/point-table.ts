import { err, ok, type Result } from '../result';

/** One calibration point: input and output as fractions of their spans, output in the sense of a direct action. */
export type CalPoint = {
  /** Nominal input, 0 … 1. */
  readonly at: number;
  readonly output: number;
  readonly direction: 'up' | 'down';
  /** Which pass over the range, from 1; further passes show repeatability. */
  readonly pass: number;
};

export type PointTableError =
  | { readonly code: 'prove.points_missing'; readonly at: readonly number[] }
  | { readonly code: 'prove.point_twice'; readonly at: number; readonly direction: 'up' | 'down' }
  | { readonly code: 'prove.points_out_of_order'; readonly at: number }
  | { readonly code: 'prove.output_frozen'; readonly output: number }
  | { readonly code: 'prove.signal_reversed' };

/** Everything in fractions of span. */
export type PointTable = {
  readonly rows: readonly {
    readonly at: number;
    readonly up: number | undefined;
    readonly down: number | undefined;
  }[];
  /** Error at the low end, and of the difference between both ends. */
  readonly zeroError: number;
  readonly spanError: number;
  /** Error at mid-scale less the mean of the end errors: what link lengths and angles leave. */
  readonly angularityError: number | undefined;
  /** The error of largest size, with its sign, and where it stands. */
  readonly worst: { readonly at: number; readonly error: number };
  /** Largest difference between going down and going up at one input; undefined without both. */
  readonly hysteresis: number | undefined;
  readonly linearity: {
    readonly independent: number;
    readonly terminalBased: number;
    readonly zeroBased: number;
  };
  /** Largest spread of readings taken at one input from one side; undefined with one pass. */
  readonly repeatability: number | undefined;
};

const FROZEN = 0.002;

/**
 * Errors of a five-point check, up and down, in fractions of span.
 *
 * Linearity is judged on the mean of up and down: independent, the straight line with the least
 * largest deviation; terminal-based, through both ends; zero-based, through the low end.
 *
 * @param points  in the order taken; at least one at each of the inputs asked for
 * @param wanted  nominal inputs that must be there, 0 … 1
 * @errors  prove.points_missing · prove.point_twice · prove.points_out_of_order · prove.output_frozen · prove.signal_reversed
 */
export function pointTable(
  points: readonly CalPoint[],
  wanted: readonly number[] = [0, 0.25, 0.5, 0.75, 1],
): Result<PointTable, PointTableError> {
  const wrong = orderError(points) ?? missingError(points, wanted) ?? responseError(points);
  if (wrong) return err(wrong);
  const inputs = [...new Set(points.map(({ at }) => at))].sort((a, b) => a - b);
  const errorAt = (at: number, direction?: 'up' | 'down') =>
    mean(
      points
        .filter((point) => point.at === at && (!direction || point.direction === direction))
        .map(({ output }) => output - at),
    );
  const rows = inputs.map((at) => ({ at, up: errorAt(at, 'up'), down: errorAt(at, 'down') }));
  const middle = rows.map(({ at, up, down }) => ({ at, error: sidesMean(up, down) }));
  const low = middle[0]!.error;
  const high = middle.at(-1)!.error;
  const mid = middle.find(({ at }) => at === 0.5)?.error;
  const sided = points.map(({ at, output }) => ({ at, error: output - at }));
  const gaps = rows.flatMap(({ up, down }) =>
    up === undefined || down === undefined ? [] : [Math.abs(down - up)],
  );
  return ok({
    rows,
    zeroError: low,
    spanError: high - low,
    angularityError: mid === undefined ? undefined : mid - (low + high) / 2,
    worst: sided.reduce((a, b) => (Math.abs(b.error) > Math.abs(a.error) ? b : a)),
    hysteresis: gaps.length > 0 ? Math.max(...gaps) : undefined,
    linearity: linearityOf(middle),
    repeatability: repeatabilityOf(points),
  });
}

type At = { readonly at: number; readonly error: number };

function linearityOf(points: readonly At[]): PointTable['linearity'] {
  const low = points[0]!;
  const high = points.at(-1)!;
  const through = (slope: number) =>
    largest(points.map((p) => p.error - low.error - slope * (p.at - low.at)));
  return {
    terminalBased: through((high.error - low.error) / (high.at - low.at || 1)),
    zeroBased: Math.min(...zeroSlopes(points).map(through)),
    independent: Math.min(...pairSlopes(points).map((slope) => halfRange(points, slope))),
  };
}

/** Slopes through the low end at which two deviations are equal and opposite: the best is one of them. */
function zeroSlopes(points: readonly At[]): readonly number[] {
  const low = points[0]!;
  const rest = points.slice(1).map(({ at, error }) => ({ x: at - low.at, y: error - low.error }));
  return rest.flatMap((a, i) => rest.slice(i).map((b) => (a.y + b.y) / (a.x + b.x)));
}

/** The best line runs parallel to a line through two of the points. */
const pairSlopes = (points: readonly At[]): readonly number[] =>
  points.flatMap((a, i) => points.slice(i + 1).map((b) => (b.error - a.error) / (b.at - a.at)));

function halfRange(points: readonly At[], slope: number): number {
  const off = points.map(({ at, error }) => error - slope * at);
  return (Math.max(...off) - Math.min(...off)) / 2;
}

function repeatabilityOf(points: readonly CalPoint[]): number | undefined {
  const groups = new Map<string, number[]>();
  for (const { at, direction, output } of points) {
    const key = `${at} ${direction}`;
    groups.set(key, [...(groups.get(key) ?? []), output]);
  }
  const spreads = [...groups.values()]
    .filter((outputs) => outputs.length > 1)
    .map((outputs) => Math.max(...outputs) - Math.min(...outputs));
  return spreads.length > 0 ? Math.max(...spreads) : undefined;
}

function orderError(points: readonly CalPoint[]): PointTableError | undefined {
  const seen = new Set<string>();
  for (const [i, { at, direction, pass }] of points.entries()) {
    const key = `${at} ${direction} ${pass}`;
    if (seen.has(key)) return { code: 'prove.point_twice', at, direction };
    seen.add(key);
    const before = points[i - 1];
    if (!before || before.pass !== pass || before.direction !== direction) continue;
    if (direction === 'up' ? at < before.at : at > before.at)
      return { code: 'prove.points_out_of_order', at };
  }
  return undefined;
}

function missingError(
  points: readonly CalPoint[],
  wanted: readonly number[],
): PointTableError | undefined {
  const missing = wanted.filter((at) => !points.some((point) => point.at === at));
  return missing.length > 0 ? { code: 'prove.points_missing', at: missing } : undefined;
}

function responseError(points: readonly CalPoint[]): PointTableError | undefined {
  const outputs = points.map(({ output }) => output);
  if (Math.max(...outputs) - Math.min(...outputs) < FROZEN)
    return { code: 'prove.output_frozen', output: outputs[0]! };
  const atMean = mean(points.map(({ at }) => at))!;
  const outMean = mean(outputs)!;
  const slope = points.reduce((sum, { at, output }) => sum + (at - atMean) * (output - outMean), 0);
  return slope < 0 ? { code: 'prove.signal_reversed' } : undefined;
}

const mean = (values: readonly number[]): number | undefined =>
  values.length === 0 ? undefined : values.reduce((sum, value) => sum + value, 0) / values.length;

const sidesMean = (up: number | undefined, down: number | undefined): number =>
  up === undefined ? down! : down === undefined ? up : (up + down) / 2;

const largest = (values: readonly number[]): number => Math.max(...values.map(Math.abs));

/**
 * Dead band: the largest change of input, after turning back, that the output did not follow.
 *
 * @param reversals  input at which the input turned back, and at which the output first moved, 0 … 1
 * @returns fraction of span; undefined without a reversal
 */
export const deadBand = (
  reversals: readonly { readonly turnedAt: number; readonly movedAt: number }[],
): number | undefined =>
  reversals.length === 0
    ? undefined
    : Math.max(...reversals.map(({ turnedAt, movedAt }) => Math.abs(movedAt - turnedAt)));
