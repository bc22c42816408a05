import type { CutawayForce } from '@holvek/core';
import { View, XStack, YStack } from '@/ui/kit';
import { Figure, Muted } from '@/ui/words';
import { forceWords, printForce } from './words';

/** Who pushes which way, and how hard. */
export function ForceBars({ forces }: { readonly forces: readonly CutawayForce[] }) {
  const most = Math.max(1, ...forces.map(({ newtons }) => newtons));
  return (
    <YStack gap="$1">
      {[true, false].map((opens) => (
        <YStack key={String(opens)} gap="$1">
          <Muted>{opens ? 'pushes open' : 'pushes shut'}</Muted>
          {forces
            .filter((force) => force.opens === opens)
            .map(({ id, newtons }) => (
              <XStack key={id} alignItems="center" gap="$2">
                <Figure width={104} fontFamily="$body">
                  {forceWords[id]}
                </Figure>
                <View flex={1} height={12} backgroundColor="$quiet" borderRadius="$1">
                  <View
                    height={12}
                    borderRadius="$1"
                    width={`${(100 * newtons) / most}%`}
                    backgroundColor={id === 'spring' ? '$brassMark' : '$slate'}
                  />
                </View>
                <Figure width={72} textAlign="right">
                  {printForce(newtons)}
                </Figure>
              </XStack>
            ))}
        </YStack>
      ))}
    </YStack>
  );
}
