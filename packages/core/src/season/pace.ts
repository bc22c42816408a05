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
  const whole = visits.flatMap((visit) => {
    const minutes = tookMinutes(visit);
    return minutes === undefined
      ? []
      : [{ hand: visit.body.technician, kind: kindOf(visit), minutes }];
  });
  const kinds = new Map<string, number[]>();
  for (const { kind, minutes } of whole) {
    const known = kinds.get(kind);
    if (known) known.push(minutes);
    else kinds.set(kind, [minutes]);
  }
  const middles = new Map([...kinds].map(([kind, minutes]) => [kind, middle(minutes)]));
  return hands.map((hand) => {
    const own = whole.filter((each) => each.hand === hand);
    const sum = own.reduce(
      (all, { kind, minutes }) => all + Math.log(minutes / middles.get(kind)!),
      0,
    );
    return Math.min(SLOWEST, Math.max(QUICKEST, Math.exp(sum / (own.length + WORTH))));
  });
}
