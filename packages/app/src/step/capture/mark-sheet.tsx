import { marksOf, type CaptureMark, type StepOf } from '@holvek/core';
import { useState } from 'react';
import { XStack, YStack } from '@/ui/kit';
import { markWord } from './mark-word';
import { ReadingPad } from '../parts/reading-pad';
import type { TypedValue } from '../parts/use-reading';
import { useReading } from '../parts/use-reading';
import { useDesk } from '@/desk/use-desk';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Press } from '@/ui/press';
import { Heading, Muted, Strong, Words } from '@/ui/words';

type Props = {
  readonly step: StepOf<'capture'>;
  readonly isOpen: boolean;
  readonly onMove: (mark: CaptureMark, value: TypedValue) => void;
  readonly onClose: () => void;
};

/** A mark that was set at the wrong pressure is put where it belongs. */
export function MarkSheet({ step, isOpen, onMove, onClose }: Props) {
  const { run } = useDesk();
  const { gauge } = useReading(step);
  const [moving, setMoving] = useState<CaptureMark>();
  return (
    <BottomSheet isOpen={isOpen} title="Move a mark" onClose={onClose}>
      {moving && gauge ? (
        <>
          <Heading>{`${markWord[moving.mark]}, cycle ${moving.cycle}`}</Heading>
          <ReadingPad
            gauge={gauge}
            onTake={(value) => {
              onMove(moving, value);
              setMoving(undefined);
              onClose();
            }}
          />
        </>
      ) : (
        <MarkList marks={marksOf(run, step.id)} onPick={setMoving} />
      )}
    </BottomSheet>
  );
}

function MarkList({
  marks,
  onPick,
}: {
  readonly marks: readonly CaptureMark[];
  readonly onPick: (mark: CaptureMark) => void;
}) {
  const { units } = useDesk();
  if (marks.length === 0) return <Muted>No mark yet.</Muted>;
  return (
    <YStack>
      {marks.map((mark) => (
        <Press
          key={mark.eventId}
          onPress={() => onPick(mark)}
          minHeight={52}
          justifyContent="center"
          borderBottomWidth={1}
          borderColor="$line"
          aria-label={`Move ${markWord[mark.mark]}, cycle ${mark.cycle}`}
        >
          <XStack justifyContent="space-between">
            <Words>{`${markWord[mark.mark]}, cycle ${mark.cycle}`}</Words>
            <Strong>{units.withUnit(mark.pressure)}</Strong>
          </XStack>
        </Press>
      ))}
    </YStack>
  );
}
