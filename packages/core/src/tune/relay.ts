import { err, ok, type Result } from '../result';
import type { StepSample } from './fit-step';

/** What a relay test comes to: the gain at which the loop would just keep swinging, and how fast. */
export type RelayTest = {
  /** %/% of the controller, dimensionless. */
  readonly ultimateGain: number;
  /** s of one swing at that gain; the relay itself swings slower where it has hysteresis. */
  readonly period: number;
  /** Half of the swing of the value, in its own unit (%). */
  readonly amplitude: number;
  /** Power of the frequency with which the process falls off: 1 of one lag, 2 of two; 0 … 2. */
  readonly rollOff: number;
  readonly cycles: number;
};
export type RelayError =
  | { readonly code: 'tune.relay_no_swing' }
  | { readonly code: 'tune.relay_too_short'; readonly cycles: number };

/** Swings that are looked at; the first one, on the way in, is not. */
const LEAST_CYCLES = 3;

/**
 * Ultimate gain and period from a loop that a relay keeps swinging.
 *
 * Output and value are taken apart into the swing and its third harmonic, so that the square shape of the relay
 * costs nothing. With hysteresis the loop swings short of half a turn of phase; a lag with dead time foretells where
 * the whole half turn would be:
 *
 *     G(iω) = V₁ / U₁,   φ = π + arg G,   ω_u = ω · (π/2) / (π/2 − φ),   K_u = ω_u / (ω |G|)
 *
 * @param samples     s; output and value in %, the relay's two outputs in turn
 * @param hysteresis  ε of the relay, in the value's unit: a value that swings no wider tells nothing
 * @errors  tune.relay_no_swing where the output never turns over or the value never moves · tune.relay_too_short
 * @source  relay identification by Fourier coefficients (Åström and Hägglund 1984; Wang, Hang and Zou 1997)
 */
export function relayTest(
  samples: readonly StepSample[],
  hysteresis = 0,
): Result<RelayTest, RelayError> {
  const outputs = samples.map(({ output }) => output);
  const high = Math.max(...outputs);
  const low = Math.min(...outputs);
  if (!(high > low)) return err({ code: 'tune.relay_no_swing' });
  const middle = (high + low) / 2;
  const rises = samples.flatMap(({ output }, i) =>
    i > 0 && output > middle && samples[i - 1]!.output <= middle ? [i] : [],
  );
  const cycles = rises.length - 2;
  if (cycles < LEAST_CYCLES)
    return err({ code: 'tune.relay_too_short', cycles: Math.max(0, cycles) });
  const whole = rises.slice(1, -1).map((from, i) => samples.slice(from, rises[i + 2]));
  const swings = whole.map((part) => {
    const values = part.map(({ value }) => value);
    return (Math.max(...values) - Math.min(...values)) / 2;
  });
  const amplitude = swings.reduce((sum, swing) => sum + swing, 0) / swings.length;
  if (!(amplitude > hysteresis * 1.05)) return err({ code: 'tune.relay_no_swing' });
  const [first, last] = [rises[1]!, rises.at(-1)!];
  const period = (samples[last]!.t - samples[first]!.t) / cycles;
  const swing = samples.slice(first, last + 1);
  const at = (harmonic: number) => response(swing, (2 * Math.PI * harmonic) / period);
  const [once, thrice] = [at(1), at(3)];
  if (!(once.size > 0)) return err({ code: 'tune.relay_no_swing' });
  const short = Math.min(MOST_SHORT, Math.max(0, Math.PI + once.phase));
  const faster = Math.PI / 2 / (Math.PI / 2 - short);
  const rollOff = Math.log(once.size / thrice.size) / Math.log(3);
  return ok({
    ultimateGain: faster / once.size,
    period: period / faster,
    amplitude,
    rollOff: Number.isFinite(rollOff) ? Math.min(2, Math.max(0, rollOff)) : 2,
    cycles,
  });
}

/** Phase short of half a turn that is still made up for: beyond, one swing foretells no other. */
const MOST_SHORT = Math.PI / 4;

/** Of value to output at a frequency: size, and phase between −3π/2 and π/2. */
function response(
  samples: readonly StepSample[],
  frequency: number,
): { readonly size: number; readonly phase: number } {
  const value = fourier(samples, frequency, ({ value: each }) => each);
  const output = fourier(samples, frequency, ({ output: each }) => each);
  const phase = Math.atan2(value.im, value.re) - Math.atan2(output.im, output.re);
  const turned = phase > Math.PI / 2 ? phase - 2 * Math.PI : phase;
  return {
    size: Math.hypot(value.re, value.im) / Math.hypot(output.re, output.im),
    phase: turned < (-3 * Math.PI) / 2 ? turned + 2 * Math.PI : turned,
  };
}

/** ∫ y e^(−iωt) dt over whole swings: a relay's output stands between two samples, a value runs straight. */
function fourier(
  samples: readonly StepSample[],
  frequency: number,
  of: (sample: StepSample) => number,
): { readonly re: number; readonly im: number } {
  const mean = samples.reduce((sum, sample) => sum + of(sample), 0) / samples.length;
  let [re, im] = [0, 0];
  for (let i = 1; i < samples.length; i++) {
    const [a, b] = [samples[i - 1]!, samples[i]!];
    const dt = b.t - a.t;
    for (const sample of [a, b]) {
      re += ((of(sample) - mean) * Math.cos(frequency * sample.t) * dt) / 2;
      im -= ((of(sample) - mean) * Math.sin(frequency * sample.t) * dt) / 2;
    }
  }
  return { re, im };
}

/** Shares of the ultimate gain, and swings of integral time: found over lags, dead times and integrators. */
const LEAST_DIVISOR = 2.8;
const DIVISOR = 1.9;
const POWER = 0.45;
const STEEPEST = 1.99;
const SWINGS = 2.2;

/**
 * Calm settings of a proportional-integral controller, for whatever a valve on a main may be.
 *
 *     gain = K_u / max(2.8, 1.9 / (2 − n)^0.45),   integral time = 2.2 periods,   n the roll-off
 *
 * A process that falls off as two lags keeps hardly any phase in hand where it swings slower: it gets less gain.
 * `relay.test.ts` holds it to a largest sensitivity of 2.0 over first order with dead time, second order, and
 * integrators with dead time and lag.
 *
 * @returns gain, dimensionless; integral time, s
 * @source  form after Tyreus and Luyben 1992; divisor by trial against the closed loop
 * @example relaySettings({ ultimateGain: 2.8, period: 20, rollOff: 1 }) // → { gain: 1, integralTime: 44 }
 */
export const relaySettings = ({
  ultimateGain,
  period,
  rollOff,
}: Pick<RelayTest, 'ultimateGain' | 'period' | 'rollOff'>) => ({
  gain:
    ultimateGain / Math.max(LEAST_DIVISOR, DIVISOR / (2 - Math.min(rollOff, STEEPEST)) ** POWER),
  integralTime: SWINGS * period,
});
