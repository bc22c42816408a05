/**
 * Dormand–Prince 4(5) with step control, for small systems of ordinary differential equations.
 *
 *        state, t0 ──▶ try a step ──▶ error small? ──yes──▶ event crossed? ──▶ accept, grow h
 *                         ▲               │ no                  │ yes: halve towards it
 *                         └── shrink h ◀──┘◀────────────────────┘
 */
export type Derivative = (state: readonly number[], t: number, out: number[]) => void;

export type IntegrateOptions = {
  /** Error allowed in a step, relative to `scale`. */
  readonly tolerance?: number;
  /** Typical size of each state, for the error norm. */
  readonly scale?: readonly number[];
  readonly firstStep?: number;
  readonly largestStep?: number;
  /** Positive-to-negative or back marks an event; integration stops just after it. */
  readonly event?: (state: readonly number[], t: number) => number;
};

export type IntegrateOutcome = {
  readonly state: number[];
  readonly t: number;
  readonly ended: 'at_end' | 'at_event' | 'out_of_steps' | 'not_finite';
  readonly steps: number;
  readonly nextStep: number;
};

const A = [
  [],
  [1 / 5],
  [3 / 40, 9 / 40],
  [44 / 45, -56 / 15, 32 / 9],
  [19372 / 6561, -25360 / 2187, 64448 / 6561, -212 / 729],
  [9017 / 3168, -355 / 33, 46732 / 5247, 49 / 176, -5103 / 18656],
  [35 / 384, 0, 500 / 1113, 125 / 192, -2187 / 6784, 11 / 84],
] as const;
const C = [0, 1 / 5, 3 / 10, 4 / 5, 8 / 9, 1, 1];
const E = [71 / 57600, 0, -71 / 16695, 71 / 1920, -17253 / 339200, 22 / 525, -1 / 40];
const MAX_STEPS = 20_000;

/**
 * Integrates from t0 to t1. A step that turns non-finite is halved; when nothing helps, the last
 * finite state comes back with `ended: 'not_finite'`, so a caller never sees NaN.
 *
 * @param state  n values; not changed
 * @param t0,t1  s, t1 ≥ t0
 */
export function integrate(
  derivative: Derivative,
  state: readonly number[],
  [t0, t1]: readonly [from: number, to: number],
  options: IntegrateOptions = {},
): IntegrateOutcome {
  const { tolerance = 1e-4, scale, event, largestStep = Number.POSITIVE_INFINITY } = options;
  const n = state.length;
  const k = C.map(() => new Array<number>(n).fill(0));
  let y = state.slice();
  let trial = new Array<number>(n).fill(0);
  let t = t0;
  let h = Math.min(options.firstStep ?? (t1 - t0) / 10, t1 - t0, largestStep);
  let steps = 0;
  let before = event ? event(y, t) : 0;
  while (t < t1 - 1e-12 * Math.max(1, Math.abs(t1))) {
    if (++steps > MAX_STEPS) return { state: y, t, ended: 'out_of_steps', steps, nextStep: h };
    h = Math.min(h, t1 - t, largestStep);
    const error = tryStep(derivative, { y, t, h, k, trial, scale });
    if (!Number.isFinite(error)) {
      h /= 4;
      if (h < 1e-9) return { state: y, t, ended: 'not_finite', steps, nextStep: 1e-3 };
      continue;
    }
    if (error > tolerance && h > 1e-9) {
      h *= shrinkBy(tolerance / error);
      continue;
    }
    if (event) {
      const after = event(trial, t + h);
      if (hasCrossed(before, after)) {
        if (h > 1e-6) {
          h /= 2;
          continue;
        }
        return { state: trial.slice(), t: t + h, ended: 'at_event', steps, nextStep: 1e-3 };
      }
      before = after;
    }
    t += h;
    [y, trial] = [trial, y];
    h *= growBy(tolerance / Math.max(error, 1e-12));
  }
  return { state: y.slice(), t, ended: 'at_end', steps, nextStep: h };
}

/** What a step is multiplied by where `room` times its error would be allowed. */
const shrinkBy = (room: number): number => Math.max(0.2, 0.9 * room ** 0.2);
const growBy = (room: number): number => Math.min(4, shrinkBy(room));

/** An event that began at nothing is not one. */
const hasCrossed = (before: number, after: number): boolean =>
  before !== 0 && Math.sign(after) !== Math.sign(before);

type StepWork = {
  readonly y: readonly number[];
  readonly t: number;
  readonly h: number;
  readonly k: number[][];
  readonly trial: number[];
  readonly scale: readonly number[] | undefined;
};

/** One trial step into `trial`; returns its largest scaled error. */
function tryStep(derivative: Derivative, { y, t, h, k, trial, scale }: StepWork): number {
  const n = y.length;
  for (let stage = 0; stage < 7; stage++) {
    const row = A[stage]!;
    for (let i = 0; i < n; i++) {
      let sum = 0;
      for (let j = 0; j < stage; j++) sum += row[j]! * k[j]![i]!;
      trial[i] = y[i]! + h * sum;
    }
    derivative(trial, t + C[stage]! * h, k[stage]!);
  }
  let worst = 0;
  for (let i = 0; i < n; i++) {
    let sum = 0;
    for (let j = 0; j < 7; j++) sum += E[j]! * k[j]![i]!;
    const size = scale?.[i] ?? Math.max(1, Math.abs(y[i]!), Math.abs(trial[i]!));
    const error = Math.abs(h * sum) / size;
    if (!(error <= worst)) worst = error;
    if (!Number.isFinite(trial[i]!)) return Number.NaN;
  }
  return worst;
}
