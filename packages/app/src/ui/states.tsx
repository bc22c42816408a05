import { Spinner, YStack } from '@/ui/kit';
import { BigButton } from './press';
import { Card } from './card';
import { Heading, Muted, Words } from './words';

export const Loading = ({ what }: { readonly what: string }) => (
  <YStack alignItems="center" gap="$3" padding="$7" role="status">
    <Spinner color="$verdigris" size="large" />
    <Muted>{what}</Muted>
  </YStack>
);

export const Empty = ({ title, say }: { readonly title: string; readonly say: string }) => (
  <Card>
    <Heading>{title}</Heading>
    <Words color="$muted">{say}</Words>
  </Card>
);

/** What is wrong, what was kept, what to do. */
export const Trouble = ({
  title,
  say,
  onRetry,
}: {
  readonly title: string;
  readonly say: string;
  readonly onRetry?: () => void;
}) => (
  <Card tone="stop" role="alert">
    <Heading color="$onVermilionSoft">{title}</Heading>
    <Words color="$onVermilionSoft">{say}</Words>
    {onRetry ? (
      <BigButton kind="stop" onPress={onRetry}>
        Try again
      </BigButton>
    ) : null}
  </Card>
);
