import type { PI } from './band';
import type { ProcessModel } from './fit-step';

export type LoopPreview = {
  /** s and % from the set point before the step. */
  readonly samples: readonly {
    readonly t: number;
    readonly value: number;
    readonly output: number;
  }[];
  /** Over the step, as a share of it. */
  readonly overshoot: number;
  /** s after which the value stays within 5 % of the step from where it ends; undefined when it never does. */
  readonly settling: number | undefined;
  /** What proportional action alone leaves between set point and value, % of span, at the end. */
  readonly offset: number;
  /** Largest sensitivity: 1.2 calm … 2 lively; beyond, every change of the process may set it swinging. */
  readonly sensitivity: number;
  readonly isStable: boolean;
};

const STEPS = 1600;
const LIMIT = 1e4;

/**
 * The loop as it would answer a step of its set point, and a lasting load that comes half-way.
 *
 * Explicit steps of a fixed size, a delay line for the dead time; output not held to its ends, so
 * that a loop that swings shows it.
 *
 * @param step  % of span
 * @param load  % of output, added half-way
 */
export function previewLoop(
  model: ProcessModel,
  settings: PI,
  { step = 10, load = 0 }: { readonly step?: number; readonly load?: number } = {},
): LoopPreview {
  const { deadTime, timeConstant } = model;
  const gain = Math.abs(model.gain);
  const horizon = Math.max(
    12 * (deadTime + timeConstant * 0.5),
    8 * (settings.integralTime ?? timeConstant),
  );
  const dt = horizon / STEPS;
  const delay = Math.round(deadTime / dt);
  const sent: number[] = [];
  const samples: { t: number; value: number; output: number }[] = [];
  let value = 0;
  let integral = 0;
  for (let i = 0; i <= STEPS; i++) {
    const error = step - value;
    if (settings.integralTime !== undefined)
      integral += (settings.gain * error * dt) / settings.integralTime;
    const output = settings.gain * error + integral;
    sent.push(output + (i > STEPS / 2 ? load : 0));
    if (i % 4 === 0) samples.push({ t: i * dt, value: clip(value), output: clip(output) });
    const arrives = sent[i - delay] ?? 0;
    value += (1 - Math.exp(-dt / timeConstant)) * (gain * arrives - value);
    if (Math.abs(value) > LIMIT) break;
  }
  const sensitivity = largestSensitivity(model, settings);
  const isStable =
    Number.isFinite(sensitivity) && Math.abs(samples.at(-1)!.value) < 3 * Math.abs(step);
  const firstHalf = load === 0 ? samples : samples.slice(0, Math.floor(samples.length / 2));
  const end = firstHalf.at(-1)!.value;
  return {
    samples,
    overshoot: Math.max(0, Math.max(...firstHalf.map((each) => each.value)) / step - 1),
    settling: isStable ? settlingOf(firstHalf, end, step) : undefined,
    offset: isStable ? step - end : 0,
    sensitivity,
    isStable,
  };
}

const clip = (value: number): number => Math.min(LIMIT, Math.max(-LIMIT, value));

function settlingOf(
  samples: readonly { readonly t: number; readonly value: number }[],
  end: number,
  step: number,
): number | undefined {
  const outside = samples.findLastIndex(
    ({ value }) => Math.abs(value - end) > 0.05 * Math.abs(step),
  );
  return samples[outside + 1]?.t;
}

/**
 * Largest of |1 / (1 + L)| over frequency, L = controller · process; infinite for a loop that is not
 * stable, which the phase at gain one tells.
 */
export function largestSensitivity(
  { gain, timeConstant, deadTime }: ProcessModel,
  settings: PI,
): number {
  const { gain: kc, integralTime } = settings;
  let most = 1;
  const slow = 1 / (20 * (timeConstant + deadTime + (integralTime ?? 0)));
  const fast = 40 / (deadTime + timeConstant / 50);
  for (let i = 0; i <= 600; i++) {
    const w = slow * (fast / slow) ** (i / 600);
    const size =
      (kc *
        Math.abs(gain) *
        (integralTime === undefined ? 1 : Math.hypot(1, 1 / (w * integralTime)))) /
      Math.hypot(1, w * timeConstant);
    const phase =
      (integralTime === undefined ? 0 : -Math.atan(1 / (w * integralTime))) -
      Math.atan(w * timeConstant) -
      w * deadTime;
    if (phase <= -Math.PI && size >= 1) return Number.POSITIVE_INFINITY;
    most = Math.max(most, 1 / Math.hypot(1 + size * Math.cos(phase), size * Math.sin(phase)));
  }
  return most;
}
