import type { Sample } from '../../numerics';
import { err, ok, type Result } from '../../result';
import type { Watched } from '../reading';

/** One reading of a watch as a logger kept it, with what it kept since the one before. */
export type LoggedReading = {
  readonly elapsed_s: number;
  readonly si: number;
  readonly between: readonly Watched[];
};

export type LoggedWatchError = {
  readonly code: 'log.watch_too_short';
  /** s of the log that lie in the watch, and s that are wanted. */
  readonly have: number;
  readonly want: number;
};

export type WatchWindow = {
  /** s of the log at which nothing flows any more. */
  readonly from: number;
  /** s that are watched at least and at most. */
  readonly least: number;
  readonly longest: number;
  /** Readings that a watch has at least, > 1. */
  readonly rows: number;
};

/** s between two values that are kept of a watch. */
export const WATCHED_APART_S = 1;
/** How many are kept at most of one that takes hours. */
const MOST_KEPT = 1000;
/** What is left of a time that was added up. */
const HAIR = 1e-6;

/**
 * The part of a log in which nothing flows, as the readings of a watch: the first, the last and others evenly
 * between, each with a value a second of what lies before it.
 *
 * @param samples  of the log, s and Pa, rising in time; what lies before the watch or after its longest is left
 * @errors  log.watch_too_short: fewer samples than readings, or a shorter time than is wanted
 */
export function watchFromLog(
  samples: readonly Sample[],
  { from, least, longest, rows }: WatchWindow,
): Result<readonly LoggedReading[], LoggedWatchError> {
  const watched = samples.filter(({ t }) => t >= from - HAIR && t <= from + longest + HAIR);
  const within = keptApart(watched, Math.max(WATCHED_APART_S, longest / MOST_KEPT));
  const start = within[0]?.t ?? 0;
  const have = (within.at(-1)?.t ?? 0) - start;
  if (within.length < rows || have < least - HAIR)
    return err({ code: 'log.watch_too_short', have, want: least });
  const last = within.length - 1;
  const places = Array.from({ length: rows }, (_, i) => Math.round((i * last) / (rows - 1)));
  return ok(
    places.map((place, i) => ({
      elapsed_s: within[place]!.t - start,
      si: within[place]!.value,
      between: within
        .slice(i === 0 ? place : places[i - 1]! + 1, place)
        .map(({ t, value }) => ({ t_s: t - start, si: value })),
    })),
  );
}

/** Those of the samples that lie so many seconds after the one that is kept before, and the last. */
export function keptApart(samples: readonly Sample[], seconds: number): readonly Sample[] {
  const kept: Sample[] = [];
  for (const sample of samples)
    if (sample.t - (kept.at(-1)?.t ?? -Infinity) >= seconds - HAIR) kept.push(sample);
  const last = samples.at(-1);
  if (last && kept.at(-1) !== last) kept.push(last);
  return kept;
}
