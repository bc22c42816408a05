import { Press } from './press';
import { TickBox } from './tick-box';
import { Muted, Words } from './words';
import { XStack, YStack } from './kit';

type Props = {
  readonly say: string;
  /** Small words under it. */
  readonly under?: string;
  readonly isTicked: boolean;
  /** It is only to be read. */
  readonly isFixed?: boolean;
  readonly onPress: () => void;
};

/** One of several that can be ticked, as tall as a glove. */
export const TickRow = ({ say, under, isTicked, isFixed = false, onPress }: Props) => (
  <Press
    role="checkbox"
    aria-checked={isTicked}
    aria-disabled={isFixed}
    onPress={isFixed ? undefined : onPress}
  >
    <XStack gap="$3" alignItems="center" minHeight={52} borderBottomWidth={1} borderColor="$line">
      <TickBox isTicked={isTicked} />
      <YStack flexShrink={1}>
        <Words>{say}</Words>
        {under === undefined ? null : <Muted>{under}</Muted>}
      </YStack>
    </XStack>
  </Press>
);
