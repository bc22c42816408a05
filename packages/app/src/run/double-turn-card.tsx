import { doubleTurns, printTurns, twoTurnsKey, type RunEvent } from '@holvek/core';
import { useMemo } from 'react';
import { XStack } from '@/ui/kit';
import { Card } from '@/ui/card';
import { BigButton } from '@/ui/press';
import { Strong, Words } from '@/ui/words';
import { wayWord } from '@/ui/turn-word';
import { useDesk } from '@/desk/use-desk';

const turnsWords = (turns: number): string => `${printTurns(turns)} ${wayWord(turns)}`;

/** Two phones entered a turn at the same time: it is asked which it was, never doubled in silence. */
export function DoubleTurnCard({ events }: { readonly events: readonly RunEvent[] }) {
  const { run, add } = useDesk();
  const [double] = useMemo(() => doubleTurns(events), [events]);
  if (!double) return null;
  const { first, second } = double;
  const name = run.adjusters.find(({ id }) => id === double.adjuster)?.name ?? double.adjuster;
  return (
    <Card tone="warn" role="alert" testID="double-turn" margin="$4">
      <Strong color="$onBrassSoft">{`${name}: one turn, or two?`}</Strong>
      <Words color="$onBrassSoft">
        {`${first.author} entered ${turnsWords(first.turns)}, ` +
          `${second.author} ${turnsWords(second.turns)}, neither having seen the other’s.`}
      </Words>
      <XStack gap="$2">
        <BigButton flex={1} onPress={() => void add({ type: 'undone', undoes: second.id })}>
          {`One: ${turnsWords(first.turns)}`}
        </BigButton>
        <BigButton
          flex={1}
          kind="outline"
          onPress={() => void add({ type: 'observed', key: twoTurnsKey(double), value: 'yes' })}
        >
          Two turns
        </BigButton>
      </XStack>
    </Card>
  );
}
