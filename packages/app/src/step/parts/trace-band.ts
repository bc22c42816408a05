import type { Sample } from '@holvek/core';

/** What a few pixels of a trace hold: where it was on the whole, and how far it went up and down. */
export type Bucket = {
  readonly t: number;
  readonly mean: number;
  readonly low: number;
  readonly high: number;
};

/** Samples in a bucket, on the whole, from which a line between them becomes a block. */
const DENSE = 2.5;

/**
 * A trace that is too dense to be drawn sample by sample, in buckets of equal time; undefined where a
 * line can follow it.
 *
 * @param samples  in order of time
 * @param seconds  that a bucket lasts, s
 */
export function traceBand(
  samples: readonly Sample[],
  seconds: number,
): readonly Bucket[] | undefined {
  const buckets = new Map<number, Sample[]>();
  for (const sample of samples) {
    const key = Math.floor(sample.t / seconds);
    const own = buckets.get(key);
    if (own) own.push(sample);
    else buckets.set(key, [sample]);
  }
  if (samples.length < DENSE * buckets.size) return undefined;
  return [...buckets.values()].map((own) => {
    const values = own.map(({ value }) => value);
    return {
      t: (own[0]!.t + own.at(-1)!.t) / 2,
      mean: values.reduce((sum, value) => sum + value, 0) / values.length,
      low: Math.min(...values),
      high: Math.max(...values),
    };
  });
}
