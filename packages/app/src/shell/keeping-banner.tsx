import { YStack } from 'tamagui';
import { useKeeping } from '@/data/store';
import { Strong, Words } from '@/ui/words';

const words = {
  denied: {
    title: 'This browser keeps nothing',
    say: 'A private window, or storage that is turned off: what is entered here would be lost. Open Holvek in an ordinary window before you begin.',
  },
  gone: {
    title: 'The browser has cleared what it kept',
    say: 'Entries that had not been sent are lost from here. Load the page again, and look at the run before you go on.',
  },
} as const;

/** Over every screen, where what is entered would not be kept. */
export function KeepingBanner() {
  const keeping = useKeeping();
  if (keeping === 'kept' || keeping === 'opening') return null;
  const { title, say } = words[keeping];
  return (
    <YStack
      role="alert"
      testID="keeping-banner"
      backgroundColor="$vermilionSoft"
      paddingHorizontal="$4"
      paddingVertical="$3"
      gap="$1"
    >
      <Strong color="$onVermilionSoft">{title}</Strong>
      <Words color="$onVermilionSoft">{say}</Words>
    </YStack>
  );
}
