import { adjustersOf } from '../family';
import type { ValveVisit } from '../sheet';
import { isInstrument, type AnyPlate } from '../valve';

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

/** How many settings a valve's sheet has; undefined where it is judged by points. */
export const settingsOf = ({ plate }: { readonly plate: AnyPlate }): number | undefined =>
  isInstrument(plate) ? undefined : adjustersOf(plate).length;

/** The middle one of several, or what lies between the two in the middle. */
export const middle = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
};

/** What a visit took, minutes; undefined where it was no whole one, or had a night in it. */
export const tookMinutes = ({ body }: ValveVisit): number | undefined => {
  const minutes = (body.signed_at_ms - body.started_at_ms) / 60_000;
  return minutes >= SHORTEST && minutes <= LONGEST ? minutes : undefined;
};

const minutesOf = (visits: readonly ValveVisit[]): readonly number[] =>
  visits.flatMap((visit) => tookMinutes(visit) ?? []).slice(-MOST_VISITS);

const effortFrom = (values: readonly number[], from: Effort['from']): Effort => {
  const minutes = middle(values);
  // 1.48 × the median deviation: the standard deviation of what is normal, deaf to one bad day.
  const spread = 1.48 * middle(values.map((value) => Math.abs(value - minutes)));
  return { minutes, spread: Math.max(0.1 * minutes, spread), from };
};

/**
 * Minutes that a visit takes: the median of this valve's own, else of its family's, else an hour. Those that went the
 * same way as its last one tell it best, and of the family those with as many adjusters.
 *
 * @param own        visits of this valve, oldest first
 * @param family     visits of all valves of its family
 * @param adjusters  how many it has; any number where it is not said
 */
export function effortOf(
  own: readonly ValveVisit[],
  family: readonly ValveVisit[],
  adjusters?: number,
): Effort {
  const school = own.at(-1)?.body.school;
  const isSameWay = ({ body }: ValveVisit) => school === undefined || body.school === school;
  const isAlike = ({ body }: ValveVisit) =>
    adjusters === undefined || body.settings.length === adjusters;
  const told: readonly (readonly [readonly ValveVisit[], Effort['from']])[] = [
    [own.filter(isSameWay), 'own'],
    [own, 'own'],
    [family.filter((visit) => isSameWay(visit) && isAlike(visit)), 'family'],
    [family.filter(isAlike), 'family'],
    [family, 'family'],
  ];
  for (const [visits, from] of told) {
    const minutes = minutesOf(visits);
    if (minutes.length >= 2) return effortFrom(minutes, from);
  }
  return USUAL;
}
