import type { Evidence } from '@holvek/core';
import { useState } from 'react';
import { CausesList } from './causes-list';
import { useDesk } from '@/desk/use-desk';
import { BottomSheet } from '@/ui/bottom-sheet';
import { WordButton } from '@/ui/press';

/** What can be wrong when what was foretold does not come; nothing where the family names no causes. */
export function CausesButton({
  say,
  evidence = {},
}: {
  readonly say: string;
  readonly evidence?: Evidence;
}) {
  const { run } = useDesk();
  const [isOpen, setOpen] = useState(false);
  if (run.procedure.causes.length === 0) return null;
  return (
    <>
      <WordButton onPress={() => setOpen(true)}>{say}</WordButton>
      <BottomSheet isOpen={isOpen} title="What can be wrong" onClose={() => setOpen(false)}>
        <CausesList
          evidence={{ ...evidence, ...run.observed }}
          actionOf={() => ({ say: 'Do that, then try again', run: () => setOpen(false) })}
        />
      </BottomSheet>
    </>
  );
}
