import type { Setting } from './use-setting';
import { NextButton, TurnButton } from '../parts/turn-button';
import { useClicker } from '@/hands/use-clicker';
import { useDesk } from '@/desk/use-desk';
import { useInstrumentWord } from '@/desk/use-instrument-word';
import { BigButton } from '@/ui/press';

/** Read, and whatever the prompt asks for beside it. */
export function SetActions({ setting }: { readonly setting: Setting }) {
  const { isLinked } = useDesk();
  const word = useInstrumentWord();
  const { prompt, live, isSettled, read, turn, next } = setting;
  useClicker(() => {
    if (prompt.ask === 'turn') turn(prompt.turns);
    else if (prompt.ask !== 'done') read();
  });
  const isFirst = prompt.ask === 'read' && (!isLinked || isSettled);
  return (
    <>
      <BigButton
        flex={1}
        kind={isFirst ? 'primary' : 'outline'}
        onPress={read}
        disabled={isLinked && !live}
        keyHint="R"
        testID="read-gauge"
      >
        {`Read ${word}`}
      </BigButton>
      {prompt.ask === 'done' ? (
        <NextButton onPress={next} testID="in-lane">
          In the lane: next
        </NextButton>
      ) : null}
      {prompt.ask === 'turn' ? <TurnButton turns={prompt.turns} onTurned={turn} /> : null}
    </>
  );
}
