import { toolKey, toolSay, type BaggedTool } from '@holvek/core';
import { togglePacked, usePacked } from './packed';
import { TickLine } from './tick-line';
import { YStack } from '@/ui/kit';

/** Valves that are named beside a tool; of more, how many. */
const NAMED = 3;
export const tagWords = (tags: readonly string[], all: number): string | undefined => {
  if (tags.length === all) return undefined;
  return tags.length > NAMED ? `for ${tags.length} valves` : `for ${tags.join(', ')}`;
};

/** What to bring, ticked as it is packed. */
export function BagList({
  bag,
  valves,
  day,
}: {
  readonly bag: readonly BaggedTool[];
  readonly valves: number;
  readonly day: string;
}) {
  const packed = usePacked(day);
  return (
    <YStack>
      {bag.map(({ tool, tags }) => (
        <TickLine
          key={toolKey(tool)}
          words={toolSay(tool)}
          under={tagWords(tags, valves)}
          isTicked={packed.has(toolKey(tool))}
          onPress={() => togglePacked(toolKey(tool), day)}
        />
      ))}
    </YStack>
  );
}
