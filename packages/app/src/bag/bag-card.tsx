import { bagOf, toolKey, type Valve } from '@holvek/core';
import { BagList } from './bag-list';
import { ListCard } from './list-card';
import { usePacked } from './packed';
import { today } from '@/ui/local-day';
import { Muted } from '@/ui/words';

/** What these valves want in the bag: how much of it is packed, and behind it the list. */
export function BagCard({
  valves,
  day = today(),
}: {
  readonly valves: readonly Valve[];
  /** The day that it is packed for. */
  readonly day?: string;
}) {
  const packed = usePacked(day);
  const bag = bagOf(valves);
  if (bag.length === 0) return null;
  const done = bag.filter(({ tool }) => packed.has(toolKey(tool))).length;
  const isAll = done === bag.length;
  return (
    <ListCard
      title="Bring"
      isAll={isAll}
      words={isAll ? 'all packed' : `${done} of ${bag.length} packed`}
    >
      <Muted>
        The test gauges are chosen when a run is started. What the maker’s manual and the permit
        call for comes on top.
      </Muted>
      <BagList bag={bag} valves={valves.length} day={day} />
    </ListCard>
  );
}
