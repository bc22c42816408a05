import { families, familyNames, type Family } from '@holvek/core';
import { XStack, YStack } from '@/ui/kit';
import { Press } from '@/ui/press';
import { Muted, Strong } from '@/ui/words';
import { ValveGlyph } from '@/valve/valve-glyph';

/** Which kind of valve it is, by how it looks on its line and by what it holds. */
export const FamilyPicker = ({ onPick }: { readonly onPick: (family: Family) => void }) => (
  <YStack gap="$2" role="group" aria-label="Kinds of valve">
    {familyNames.map((family) => (
      <Press
        key={family}
        onPress={() => onPick(family)}
        borderWidth={2}
        borderColor="$line"
        borderRadius="$2"
        backgroundColor="$card"
        padding="$2"
      >
        <XStack gap="$3" alignItems="center">
          <ValveGlyph family={family} />
          <YStack flexShrink={1} gap="$1">
            <Strong>{families[family].name}</Strong>
            <Muted>{families[family].holds}</Muted>
          </YStack>
        </XStack>
      </Press>
    ))}
  </YStack>
);
