import type { ValveVisit } from '../sheet';

/** How long a visit takes, minutes, and how far it may be off. */
export type Effort = {
  readonly minutes: number;
  readonly spread: number;
  readonly from: 'own' | 'family' | 'usual';
};

const USUAL: Effort = { minutes: 60, spread: 30, from: 'usual' };
/** Visits that are looked back at. */
const MOST_VISITS = 8;
/** Shorter was not a whole visit, longer was a night in between. */
const SHORTEST = 3;
const LONGEST = 480;

/** The middle one of several, or what lies between the two in the middle. */
export const middle = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
};

const minutesOf = (visits: readonly ValveVisit[]): readonly number[] =>
  visits
    .map(({ body }) => (body.signed_at_ms - body.started_at_ms) / 60_000)
    .filter((minutes) => minutes >= SHORTEST && minutes <= LONGEST)
    .slice(-MOST_VISITS);

const effortFrom = (values: readonly number[], from: Effort['from']): Effort => {
  const minutes = middle(values);
  // 1.48 × the median deviation: the standard deviation of what is normal, deaf to one bad day.
  const spread = 1.48 * middle(values.map((value) => Math.abs(value - minutes)));
  return { minutes, spread: Math.max(0.1 * minutes, spread), from };
};

/**
 * Minutes that a visit takes: the median of this valve's own, else of its family's, else an hour.
 *
 * @param own     visits of this valve, oldest first
 * @param family  visits of all valves of its family
 */
export function effortOf(own: readonly ValveVisit[], family: readonly ValveVisit[]): Effort {
  const mine = minutesOf(own);
  if (mine.length >= 2) return effortFrom(mine, 'own');
  const theirs = minutesOf(family);
  if (theirs.length >= 2) return effortFrom(theirs, 'family');
  return USUAL;
}
