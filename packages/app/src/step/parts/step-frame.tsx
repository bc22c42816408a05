import { useState, type ReactNode } from 'react';
import { ScrollView, XStack, YStack } from '@/ui/kit';
import { useDesk } from '@/desk/use-desk';
import { FrameMark } from './frame-mark';
import { StepPath } from './step-path';
import { StepAhead, StepWords } from './step-words';
import { useIsPractised } from './use-is-practised';
import { EndEarly } from './end-early';
import { BottomSheet } from '@/ui/bottom-sheet';
import { BigButton, WordButton } from '@/ui/press';
import { Words } from '@/ui/words';

type Props = {
  readonly children?: ReactNode;
  /** Primary action and what stands beside it, in the thumb zone. */
  readonly actions: ReactNode;
  readonly more?: ReactNode;
  readonly hideWords?: boolean;
  /** A plain step: its card on the path, what is done above it and what comes below. */
  readonly onPath?: boolean;
};

/** A step: its words and parts above, its actions under the thumb, what went wrong between. */
export function StepFrame({ children, actions, more, hideWords = false, onPath = false }: Props) {
  const { trouble, isLineDown, doubt, settleDoubt, undo, canUndo } = useDesk();
  const isGathered = useIsPractised();
  return (
    <YStack flex={1} minHeight={0}>
      <FrameMark />
      <ScrollView flex={1} tabIndex={0} contentContainerStyle={{ paddingBottom: 16 }}>
        <YStack gap="$3" paddingHorizontal="$4">
          {onPath ? (
            <StepPath isGathered={isGathered} renderAhead={(step) => <StepAhead step={step} />}>
              <StepWords picture={children ?? null} />
            </StepPath>
          ) : (
            <>
              {hideWords ? null : <StepWords />}
              {children}
            </>
          )}
        </YStack>
      </ScrollView>
      <YStack
        gap="$2"
        padding="$3"
        backgroundColor="$card"
        borderTopWidth={1}
        borderColor="$line"
        $short={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', padding: '$2' }}
      >
        {isLineDown ? (
          <Words color="$vermilion" role="alert">
            The line to the unit is down and is being opened again. What was recorded is kept.
          </Words>
        ) : null}
        {trouble ? (
          <Words color="$vermilion" role="alert">
            {trouble}
          </Words>
        ) : null}
        <XStack gap="$2" $short={{ flex: 1 }}>
          {actions}
        </XStack>
        <XStack justifyContent="space-between" flexWrap="wrap" $short={{ flex: 1, gap: '$2' }}>
          {more}
          {onPath ? <SomethingWrong /> : null}
          {canUndo ? <WordButton onPress={() => void undo()}>undo</WordButton> : null}
        </XStack>
      </YStack>
      <BottomSheet
        isOpen={doubt !== undefined}
        title="Is that right?"
        onClose={() => settleDoubt(false)}
      >
        <Words>{doubt?.say ?? ''}</Words>
        <XStack gap="$2">
          <BigButton flex={1} kind="outline" onPress={() => settleDoubt(false)}>
            Type it again
          </BigButton>
          <BigButton flex={1} onPress={() => settleDoubt(true)}>
            It is right
          </BigButton>
        </XStack>
      </BottomSheet>
    </YStack>
  );
}

/** The honest way out of a step that cannot be done: what is wrong, and how the work ends. */
function SomethingWrong() {
  const { run } = useDesk();
  const [isOpen, setOpen] = useState(false);
  const close = () => setOpen(false);
  // Once it has ended, only putting back and signing are left.
  if (run.ended !== undefined || run.condemned !== undefined) return null;
  return (
    <>
      <WordButton tone="$vermilion" onPress={() => setOpen(true)}>
        something is wrong
      </WordButton>
      <BottomSheet isOpen={isOpen} title="Something is wrong" onClose={close}>
        <EndEarly onEnded={close} />
      </BottomSheet>
    </>
  );
}
