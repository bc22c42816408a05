import { hashOfEntry, pastOf } from './entry';
import { byOrder, type EventOf, type RunEvent } from './event';

/** Two devices entered a turn of one screw, neither having seen the other's: one turn, or two? */
export type DoubleTurn = {
  readonly adjuster: string;
  readonly first: EventOf<'turned'>;
  readonly second: EventOf<'turned'>;
};

/** Name of the answer that says that two turns were two; what is the same turn is undone instead. */
export const twoTurnsKey = ({ second }: Pick<DoubleTurn, 'second'>): string => `two:${second.id}`;

/** Turns that were made by two devices without seeing one another, and that nobody has spoken of since. */
export function doubleTurns(events: readonly RunEvent[]): readonly DoubleTurn[] {
  const turns = events.filter((event) => event.type === 'turned');
  if (new Set(turns.map(({ device }) => device)).size < 2) return [];
  const settled = new Set(
    events.flatMap((event) =>
      event.type === 'undone' ? [event.undoes] : event.type === 'observed' ? [event.key] : [],
    ),
  );
  const open = turns.filter(({ id }) => !settled.has(id)).sort(byOrder);
  return open.flatMap((second, i) => {
    const past = new Set(pastOf(second, events).covered.map(hashOfEntry));
    const first = open
      .slice(0, i)
      .find(
        (other) =>
          other.adjuster === second.adjuster &&
          other.device !== second.device &&
          !past.has(hashOfEntry(other)),
      );
    if (!first || settled.has(twoTurnsKey({ second }))) return [];
    return [{ adjuster: second.adjuster, first, second }];
  });
}
