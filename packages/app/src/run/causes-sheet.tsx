import { rankCauses, type Evidence } from '@holvek/core';
import { useState } from 'react';
import { YStack } from 'tamagui';
import { CauseCard } from './deaf-sheet';
import { useDesk } from './use-desk';
import { BottomSheet } from '@/ui/bottom-sheet';
import { WordButton } from '@/ui/press';

/** What can be wrong when what was foretold does not come, in order, with the check that tells them apart. */
export function CausesButton({ say, evidence = {} }: { readonly say: string; readonly evidence?: Evidence }) {
  const { run, add } = useDesk();
  const [isOpen, setOpen] = useState(false);
  const [opened, setOpened] = useState<string>();
  const ranked = rankCauses(run.procedure.causes, { ...evidence, ...run.observed }).slice(0, 5);
  if (ranked.length === 0) return null;
  return (
    <>
      <WordButton onPress={() => setOpen(true)}>{say}</WordButton>
      <BottomSheet isOpen={isOpen} title="What can be wrong" onClose={() => setOpen(false)}>
        <YStack gap="$3">
          {ranked.map((entry, i) => (
            <CauseCard
              key={entry.cause.id}
              entry={entry}
              isOpen={opened ? opened === entry.cause.id : i === 0}
              onOpen={() => setOpened(entry.cause.id)}
              answered={entry.cause.check ? run.observed[entry.cause.check.key] : undefined}
              onAnswer={(value) =>
                entry.cause.check && void add({ type: 'observed', key: entry.cause.check.key, value })
              }
              action={{ say: 'Do that, then try again', run: () => setOpen(false) }}
            />
          ))}
        </YStack>
      </BottomSheet>
    </>
  );
}
