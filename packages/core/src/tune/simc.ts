import type { PI } from './band';
import type { ProcessModel } from './fit-step';

/**
 * Settings for a first order with dead time, by the half rule’s simple internal-model tuning.
 *
 *     gain = τ / (K (τc + θ))      integral time = min(τ, 4 (τc + θ))
 *
 * @param model   gain K in %/% (≠ 0; its sign says which action is wanted), τ and θ in s
 * @param closed  wanted time constant of the closed loop, s; the dead time when not given, which
 *                keeps the sensitivity at about 1.6
 * @returns gain of the controller as a size, integral time in s
 * @example simcSettings({ gain: 1, timeConstant: 40, deadTime: 5 }) // → { gain: 4, integralTime: 40 }
 */
export function simcSettings({ gain, timeConstant, deadTime }: ProcessModel, closed?: number): PI {
  // Without dead time nothing bounds the gain: a twentieth of the time constant stands in for it.
  const dead = Math.max(deadTime, timeConstant / 20);
  const lag = closed ?? dead;
  return {
    gain: timeConstant / (Math.abs(gain) * (lag + dead)),
    integralTime: Math.min(timeConstant, 4 * (lag + dead)),
  };
}

/**
 * The action that makes the loop correct itself: reverse where the value rises with the output.
 *
 * @example actionFor({ gain: 2, timeConstant: 40, deadTime: 5 }) // → 'reverse'
 */
export const actionFor = ({ gain }: ProcessModel): 'direct' | 'reverse' =>
  gain > 0 ? 'reverse' : 'direct';
