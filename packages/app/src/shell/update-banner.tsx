import { XStack } from '@/ui/kit';
import { appUpdate, useAppUpdate } from '@/data/app-update';
import { useShelf } from '@/data/store';
import { usePreferences } from '@/prefs/preferences';
import { WordButton } from '@/ui/press';
import { Words } from '@/ui/words';

/** A newer version is there: it waits while a run is open that this hand has entered something in. */
export function UpdateBanner() {
  const isWaiting = useAppUpdate();
  const { technician } = usePreferences();
  // What others have left open comes to every phone, and must not hold it back.
  const isRunOpen = [...useShelf().values()].some(
    ({ run, events }) =>
      run.status === 'open' && events.some(({ author }) => author === technician),
  );
  if (!isWaiting) return null;
  return (
    <XStack
      role="status"
      testID="update-banner"
      backgroundColor="$brassSoft"
      paddingHorizontal="$4"
      paddingVertical="$2"
      gap="$3"
      alignItems="center"
      justifyContent="space-between"
      flexWrap="wrap"
    >
      <Words color="$onBrassSoft" flexShrink={1}>
        {isRunOpen
          ? 'A new version is here. It waits until no run is open.'
          : 'A new version is here.'}
      </Words>
      {isRunOpen ? null : <WordButton onPress={() => appUpdate.take()}>Take it now</WordButton>}
    </XStack>
  );
}
