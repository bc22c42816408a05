import { XStack, YStack } from '@/ui/kit';
import { Press } from '@/ui/press';
import { TickBox } from '@/ui/tick-box';
import { Muted, Words } from '@/ui/words';

/** Something to be done before the day begins, ticked when it is. */
export function TickLine({
  words,
  under,
  isTicked,
  onPress,
}: {
  readonly words: string;
  readonly under: string | undefined;
  readonly isTicked: boolean;
  readonly onPress: () => void;
}) {
  return (
    <Press role="checkbox" aria-checked={isTicked} onPress={onPress}>
      <XStack
        gap="$3"
        alignItems="center"
        minHeight={52}
        borderBottomWidth={1}
        borderColor="$line"
        paddingVertical="$1"
      >
        <TickBox isTicked={isTicked} />
        <YStack flex={1} minWidth={0}>
          <Words color={isTicked ? '$muted' : '$color'}>{words}</Words>
          {under ? <Muted>{under}</Muted> : null}
        </YStack>
      </XStack>
    </Press>
  );
}
