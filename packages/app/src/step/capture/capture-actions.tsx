import { XStack, YStack } from '@/ui/kit';
import { markWord } from './mark-word';
import type { Capture } from './use-capture';
import { NextButton, TurnButton } from '../parts/turn-button';
import { useDesk } from '@/desk/use-desk';
import { BigButton } from '@/ui/press';

/** The mark that comes next, what moves the line towards it, or the turn that its cycles ask for. */
export function CaptureActions({ capture }: { readonly capture: Capture }) {
  const { prompt, turn } = capture;
  switch (prompt.ask) {
    case 'turn':
      return <TurnButton turns={prompt.turns} onTurned={turn.turned} />;
    case 'done':
      return (
        <NextButton onPress={turn.next}>
          {capture.step.purpose === 'as_found' ? 'That is how it was found' : 'It holds: next'}
        </NextButton>
      );
    case 'mark':
      return <MarkActions capture={capture} isOpen={prompt.mark === 'reseated'} />;
    default:
      return null;
  }
}

function MarkActions({
  capture: { press, step, hasFullFlow },
  isOpen,
}: {
  readonly capture: Capture;
  readonly isOpen: boolean;
}) {
  const { isLinked, drive } = useDesk();
  const { up, down } = step.ramp;
  return (
    <YStack flex={1} gap="$2">
      {isOpen ? (
        <BigButton onPress={() => press('reseated')} testID="mark-reseated">
          {markWord.reseated}
        </BigButton>
      ) : (
        <BigButton onPress={() => press('cracked')} testID="mark-cracked">
          {markWord.cracked}
        </BigButton>
      )}
      <XStack gap="$2">
        {isLinked ? (
          <BigButton
            flex={1}
            kind="outline"
            onPress={() => drive(isOpen ? down : up)}
            testID={isOpen ? 'let-down' : 'raise'}
          >
            {isOpen ? 'Let it down' : 'Raise slowly'}
          </BigButton>
        ) : null}
        <BigButton
          flex={1}
          kind="outline"
          disabled={!isOpen || hasFullFlow}
          onPress={() => press('full_flow')}
          testID="mark-full"
        >
          {markWord.full_flow}
        </BigButton>
      </XStack>
    </YStack>
  );
}
