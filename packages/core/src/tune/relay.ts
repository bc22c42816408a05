import { err, ok, type Result } from '../result';
import type { StepSample } from './fit-step';

/** What a relay test comes to: the gain at which the loop would just keep swinging, and how fast. */
export type RelayTest = {
  /** %/% of the controller, dimensionless. */
  readonly ultimateGain: number;
  /** s of one swing. */
  readonly period: number;
  /** Half of the swing of the value, in its own unit (%). */
  readonly amplitude: number;
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
 *     K_u = 4 d / (π √(a² − ε²)),  d half of the relay's step, a half of the value's swing
 *
 * @param samples     s; output and value in %, the relay's two outputs in turn
 * @param hysteresis  ε of the relay, in the value's unit
 * @errors  tune.relay_no_swing where the output never turns over or the value never moves · tune.relay_too_short
 * @source  describing function of a relay with hysteresis (Åström and Hägglund 1984)
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
  const period = (samples[rises.at(-1)!]!.t - samples[rises[1]!]!.t) / cycles;
  const step = (high - low) / 2;
  return ok({
    ultimateGain: (4 * step) / (Math.PI * Math.sqrt(amplitude ** 2 - hysteresis ** 2)),
    period,
    amplitude,
    cycles,
  });
}

/**
 * Calm settings of a proportional-integral controller: gain K_u / 3.2, integral time one period.
 *
 * A third less gain than the classic rule of Ziegler and Nichols, and a fifth more integral time: a
 * valve on a main must not ring (`tune.test.ts` holds it to a sensitivity of 2.1 over many lines).
 *
 * @returns gain, dimensionless; integral time, s
 * @source  gain after Tyreus and Luyben 1992; integral time by trial against the closed loop
 * @example relaySettings({ ultimateGain: 3.2, period: 20 }) // → { gain: 1, integralTime: 20 }
 */
export const relaySettings = ({
  ultimateGain,
  period,
}: Pick<RelayTest, 'ultimateGain' | 'period'>) => ({
  gain: ultimateGain / 3.2,
  integralTime: period,
});
