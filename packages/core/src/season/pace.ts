import type { ValveVisit } from '../sheet';
import { middle, tookMinutes } from './effort';

/** Visits' worth of belief that a hand is as quick as the others. */
const WORTH = 4;
/** No hand is planned quicker or slower than this. */
const QUICKEST = 0.6;
const SLOWEST = 1.7;

/** Visits that can be held against one another: of one family, by one way. */
const kindOf = ({ body }: ValveVisit): string => `${body.plate.family} ${body.school ?? ''}`;

/**
 * How long each hand takes, as a share of what all hands take: the geometric mean over what he has signed of his
 * minutes to the middle of their kind, held towards 1 by four visits' worth.
 *
 * @param hands   names as they stand on sheets
 * @param visits  of all valves
 * @returns by hand, 0.6 … 1.7; 1 where he has signed nothing yet
 */
export function pacesOf(
  hands: readonly string[],
  visits: readonly ValveVisit[],
): readonly number[] {
  const kinds = new Map<string, number[]>();
  for (const visit of visits) {
    const minutes = tookMinutes(visit);
    if (minutes === undefined) continue;
    const known = kinds.get(kindOf(visit));
    if (known) known.push(minutes);
    else kinds.set(kindOf(visit), [minutes]);
  }
  return hands.map((hand) => {
    const logs = visits.flatMap((visit) => {
      const minutes = tookMinutes(visit);
      return minutes === undefined || visit.body.technician !== hand
        ? []
        : [Math.log(minutes / middle(kinds.get(kindOf(visit))!))];
    });
    const mean = logs.reduce((sum, each) => sum + each, 0) / (logs.length + WORTH);
    return Math.min(SLOWEST, Math.max(QUICKEST, Math.exp(mean)));
  });
}
