import { thinned, type Sample } from '../numerics';
import { inSeconds, type Seconds } from '../quantity';

/** Samples that a record is thinned to. */
const THINNED = 60;

export const spanOf = (samples: readonly Sample[]): Seconds =>
  inSeconds(samples.at(-1)!.t - samples[0]!.t);
export const heightOf = (samples: readonly Sample[]): number => {
  const values = samples.map(({ value }) => value);
  return Math.max(...values) - Math.min(...values);
};

/** What a record says from a time on, in at most so many samples as its fits need. */
export const since = (samples: readonly Sample[], from: Seconds): readonly Sample[] =>
  thinned(
    samples.filter(({ t }) => t >= from),
    THINNED,
  );
