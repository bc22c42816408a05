import { YStack } from '@/ui/kit';
import { Card } from '@/ui/card';
import { BigButton } from '@/ui/press';
import { Heading, Muted, Words } from '@/ui/words';

/** A part of the application that is no longer on the server since a newer version went up. */
const isGone = ({ message }: Error): boolean =>
  /Loading module|dynamically imported|Failed to fetch|Requiring unknown module/iu.test(message);

type Props = { readonly error: Error; readonly onRetry: () => void };

/** Instead of a blank page: what happened, what was kept, how to go on. */
export function ScreenBroke({ error, onRetry }: Props) {
  const reload = () => window.location.reload();
  return (
    <YStack padding="$4" gap="$3" role="alert">
      <Card tone="stop">
        <Heading color="$onVermilionSoft">
          {isGone(error) ? 'This page could not be fetched' : 'This page broke'}
        </Heading>
        <Words color="$onVermilionSoft">
          {isGone(error)
            ? 'There is no network, or a newer version is on the server. Load it anew.'
            : 'Something went wrong that should not. Every entry is kept on this phone.'}
        </Words>
        <BigButton kind="stop" onPress={reload}>
          Load it anew
        </BigButton>
        <BigButton kind="outline" onPress={onRetry}>
          Try again
        </BigButton>
        <Muted>{error.message.slice(0, 200)}</Muted>
      </Card>
    </YStack>
  );
}
