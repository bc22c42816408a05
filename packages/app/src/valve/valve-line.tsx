import { useRouter } from 'expo-router';
import { usePlaceWords } from '@/data/use-placed-valves';
import { aimWords } from '@/words/aim-words';
import type { ValveRow } from './use-valve-rows';
import { standingTone } from './valve-state';
import { useUnitsOf } from '@/units/use-units';
import { Pill } from '@/ui/card';
import { XStack, YStack } from '@/ui/kit';
import { Press } from '@/ui/press';
import { Muted, Strong } from '@/ui/words';

/** One valve in the list of a phone. */
export function ValveLine({ row: { valve, standing } }: { readonly row: ValveRow }) {
  const router = useRouter();
  const units = useUnitsOf()(valve);
  const placeWords = usePlaceWords();
  return (
    <Press onPress={() => router.push(`/valves/${valve.id}`)}>
      <XStack
        justifyContent="space-between"
        alignItems="center"
        gap="$3"
        minHeight={68}
        borderBottomWidth={1}
        borderColor="$line"
      >
        <YStack flexShrink={1}>
          <Strong fontSize="$4" lineHeight="$4">{`${valve.tag} ${valve.name}`}</Strong>
          <Muted>{[placeWords(valve), aimWords(valve, units)].filter(Boolean).join(' · ')}</Muted>
        </YStack>
        <Pill tone={standingTone[standing]}>{standing}</Pill>
      </XStack>
    </Press>
  );
}
