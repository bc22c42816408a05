import type { Score } from '@holvek/core';
import { useState } from 'react';
import { moveWords } from './score-words';
import { useUnits } from '@/units/use-units';
import { Card } from '@/ui/card';
import { XStack, YStack } from '@/ui/kit';
import { WordButton } from '@/ui/press';
import { Figure, Heading, Muted } from '@/ui/words';

/** The master's way beside one's own, move by move from the same start. */
export function MovesCard({ score: { ownMoves, masterMoves } }: { readonly score: Score }) {
  const units = useUnits();
  const [isOpen, setOpen] = useState(false);
  const moves = Math.max(ownMoves.length, masterMoves.length);
  if (moves === 0) return null;
  return (
    <Card>
      <XStack justifyContent="space-between" alignItems="center" gap="$2">
        <Heading>Move by move</Heading>
        <WordButton onPress={() => setOpen(!isOpen)}>
          {isOpen ? 'fold' : 'show the master’s way'}
        </WordButton>
      </XStack>
      {isOpen ? (
        <YStack testID="moves">
          <Line n="" own="you" master="the master" />
          {Array.from({ length: moves }, (_, i) => (
            <Line
              key={i}
              n={`${i + 1}`}
              own={moveWords(ownMoves[i], units.figure)}
              master={moveWords(masterMoves[i], units.figure)}
            />
          ))}
          <Muted>{`Turns, and what was read after them, ${units.pressure}.`}</Muted>
        </YStack>
      ) : null}
    </Card>
  );
}

const Line = ({
  n,
  own,
  master,
}: {
  readonly n: string;
  readonly own: string;
  readonly master: string;
}) => (
  <XStack gap="$2" minHeight={32} alignItems="center" borderBottomWidth={1} borderColor="$line">
    <Muted width={22}>{n}</Muted>
    <YStack flex={1}>
      <Figure>{own}</Figure>
    </YStack>
    <YStack flex={1}>
      <Figure>{master}</Figure>
    </YStack>
  </XStack>
);
