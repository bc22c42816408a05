import { YStack } from '@/ui/kit';
import { useKeeping } from '@/data/store';
import { Strong, Words } from '@/ui/words';

const words = {
  denied: {
    title: 'This browser keeps nothing',
    say:
      'A private window, or storage that is turned off: what is entered here would be lost. ' +
      'Open Holvek in an ordinary window before you begin.',
  },
  gone: {
    title: 'The browser has cleared what it kept',
    say:
      'Entries that had not been sent are lost from here. ' +
      'Load the page again, and look at the run before you go on.',
  },
  insecure: {
    title: 'This page came over plain http',
    say:
      'From another machine the browser keeps no copy of it for work without a network. ' +
      'Open the same address with https; the server’s /authority.crt makes the phone trust it.',
  },
} as const;

/** A page that a browser does not trust with keys, cameras or work without a network. */
const insecure = (): 'insecure' | undefined => (window.isSecureContext ? undefined : 'insecure');

/** Over every screen, where what is entered would not be kept, or not without a network. */
export function KeepingBanner() {
  const keeping = useKeeping();
  const trouble = keeping === 'denied' || keeping === 'gone' ? keeping : insecure();
  if (!trouble) return null;
  const { title, say } = words[trouble];
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
