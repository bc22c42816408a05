import { scaleLinear } from 'd3-scale';
import type { Tick } from './block';

/** A straight scale of values onto 0 … 1. */
export type Scale = {
  readonly at: (value: number) => number;
  readonly ticks: (count: number, say: (value: number) => string) => readonly Tick[];
};

/**
 * A scale over values, and round ticks on it.
 *
 * @param domain  lowest and highest value that is shown
 * @param range   where these lie, 0 … 1; turned round for an axis that grows upwards
 */
export function scaleOver(
  domain: readonly [number, number],
  range: readonly [number, number] = [0, 1],
): Scale {
  const scale = scaleLinear(domain, range).clamp(true);
  return {
    at: scale,
    ticks: (count, say) =>
      scale.ticks(count).map((value) => ({ at: scale(value), say: say(value) })),
  };
}

/** Lowest and highest of some values with a share of their spread on either side. */
export function spreadOf(values: readonly number[], margin = 0.08): readonly [number, number] {
  const low = Math.min(...values);
  const high = Math.max(...values);
  const room = Math.max((high - low) * margin, Math.abs(high) * 1e-3, 1e-9);
  return [low - room, high + room];
}
