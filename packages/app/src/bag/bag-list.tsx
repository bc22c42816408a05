import { toolKey, toolSay, type BaggedTool } from '@holvek/core';
import { togglePacked, usePacked } from './packed';
import { XStack, YStack } from '@/ui/kit';
import { Press } from '@/ui/press';
import { TickBox } from '@/ui/tick-box';
import { Muted, Words } from '@/ui/words';

/** Valves that are named beside a tool; of more, how many. */
const NAMED = 3;
const tagWords = (tags: readonly string[], all: number): string | undefined => {
  if (tags.length === all) return undefined;
  return tags.length > NAMED ? `for ${tags.length} valves` : `for ${tags.join(', ')}`;
};

/** What to bring, ticked as it is packed. */
export function BagList({
  bag,
  valves,
}: {
  readonly bag: readonly BaggedTool[];
  readonly valves: number;
}) {
  const packed = usePacked();
  return (
    <YStack>
      {bag.map(({ tool, tags }) => (
        <BagLine
          key={toolKey(tool)}
          words={toolSay(tool)}
          under={tagWords(tags, valves)}
          isPacked={packed.has(toolKey(tool))}
          onPress={() => togglePacked(toolKey(tool))}
        />
      ))}
    </YStack>
  );
}

function BagLine({
  words,
  under,
  isPacked,
  onPress,
}: {
  readonly words: string;
  readonly under: string | undefined;
  readonly isPacked: boolean;
  readonly onPress: () => void;
}) {
  return (
    <Press role="checkbox" aria-checked={isPacked} aria-label={words} onPress={onPress}>
      <XStack
        gap="$3"
        alignItems="center"
        minHeight={52}
        borderBottomWidth={1}
        borderColor="$line"
        paddingVertical="$1"
      >
        <TickBox isTicked={isPacked} />
        <YStack flex={1} minWidth={0}>
          <Words color={isPacked ? '$muted' : '$color'}>{words}</Words>
          {under ? <Muted>{under}</Muted> : null}
        </YStack>
      </XStack>
    </Press>
  );
}
