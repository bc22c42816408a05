/** A stream of chance that is passed in, never taken from the machine. */
export type Random = {
  /** Uniform in 0 … 1. */
  readonly uniform: () => number;
  /** Uniform between two bounds. */
  readonly between: (low: number, high: number) => number;
  /** Normal, mean 0, standard deviation 1. */
  readonly normal: () => number;
};

/** Seeded stream (mulberry32; normals by Box–Muller). The same seed gives the same stream. */
export function seededRandom(seed: number): Random {
  let state = seed >>> 0;
  const uniform = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return {
    uniform,
    between: (low, high) => low + (high - low) * uniform(),
    normal: () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()),
  };
}
