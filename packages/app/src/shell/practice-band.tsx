import { XStack } from '@/ui/kit';
import { Strong, Words } from '@/ui/words';

/** Over everything that is practice: nobody may take it for a record. */
export const PracticeBand = () => (
  <XStack
    role="note"
    aria-label="Practice, no record"
    testID="practice-band"
    backgroundColor="$slate"
    paddingHorizontal="$4"
    paddingVertical="$1"
    gap="$2"
    alignItems="center"
    justifyContent="center"
  >
    <Strong color="$background" letterSpacing={2}>
      PRACTICE
    </Strong>
    <Words color="$background">a simulated valve, no record</Words>
  </XStack>
);
