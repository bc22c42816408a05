import { toldFor, toldWords, type Valve } from '@holvek/core';
import { tagWords } from './bag-list';
import { ListCard } from './list-card';
import { togglePacked, usePacked } from './packed';
import { TickLine } from './tick-line';
import { Muted } from '@/ui/words';
import { YStack } from '@/ui/kit';

/** Who has to know before the day's work begins, ticked as each is told. */
export function TellCard({
  valves,
  day,
}: {
  readonly valves: readonly Valve[];
  readonly day: string;
}) {
  const ticked = usePacked(day);
  const all = toldFor(valves);
  const keyOf = (who: string) => `tell ${who}`;
  const done = all.filter(({ who }) => ticked.has(keyOf(who))).length;
  const isAll = done === all.length;
  return (
    <ListCard
      title="Tell"
      isAll={isAll}
      words={isAll ? 'all know' : `${done} of ${all.length} know`}
    >
      <Muted>
        Before work begins; and whoever a notice on a valve, or the permit itself, names.
      </Muted>
      <YStack>
        {all.map(({ who, tags }) => (
          <TickLine
            key={who}
            words={toldWords[who]}
            under={tagWords(tags, valves.length)}
            isTicked={ticked.has(keyOf(who))}
            onPress={() => togglePacked(keyOf(who), day)}
          />
        ))}
      </YStack>
    </ListCard>
  );
}
