import type { Run, RunEvent } from '@holvek/core';
import { format } from 'date-fns/format';
import { Card } from '@/ui/card';
import { Strong, Words } from '@/ui/words';

/** The last hand-over, until the one it went to has entered something: he sees what he takes over. */
export function HandedCard({
  run,
  events,
}: {
  readonly run: Run;
  readonly events: readonly RunEvent[];
}) {
  const given = waitingHandover(run, events);
  if (!given) return null;
  return (
    <Card tone="warn" role="status" marginHorizontal="$4">
      <Strong color="$onBrassSoft">
        {`${given.from} handed this over to ${given.to}, ${format(given.atMs, 'd MMM, HH:mm')}`}
      </Strong>
      <Words color="$onBrassSoft">
        {given.openEnds.length === 0
          ? 'Nothing stood open.'
          : `Open then: ${given.openEnds.join(' · ')}`}
      </Words>
      {given.words === undefined ? null : <Words color="$onBrassSoft">{`“${given.words}”`}</Words>}
    </Card>
  );
}

/** The last hand-over that the one it went to has not answered with an entry. */
export function waitingHandover(
  { handovers }: Pick<Run, 'handovers'>,
  events: readonly Pick<RunEvent, 'type' | 'author'>[],
): Run['handovers'][number] | undefined {
  const last = handovers.at(-1);
  const since = events.slice(events.findLastIndex(({ type }) => type === 'handed_over') + 1);
  return last && since.every(({ author }) => author !== last.to) ? last : undefined;
}
