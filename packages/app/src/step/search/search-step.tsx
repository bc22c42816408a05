import { promptOf, searchView, type Prompt, type StepOf } from '@holvek/core';
import { useMark } from '../capture/use-mark';
import { LiveFigure } from '../parts/live-figure';
import { SeenPill } from '../parts/seen-pill';
import { StepFrame } from '../parts/step-frame';
import { AmountSheet, PadSheet } from '../parts/step-sheets';
import { NextButton, TurnButton } from '../parts/turn-button';
import { TurnCard } from '../parts/turn-card';
import { useReading } from '../parts/use-reading';
import { useTurn } from '../parts/use-turn';
import { useDesk } from '@/desk/use-desk';
import { useKeys } from '@/ui/use-keys';
import { BigButton, WordButton } from '@/ui/press';
import { turnWord, wayWord } from '@/ui/turn-word';
import { Muted, Title, Words } from '@/ui/words';

/** Lowering in small moves, watching for the first dribble. */
export function SearchStep({ step }: { readonly step: StepOf<'search'> }) {
  const { run, isLinked, units } = useDesk();
  const view = searchView(run, step);
  const prompt = promptOf(run, step);
  const turn = useTurn(step.id, step.adjuster);
  const { gauge, live, sight } = useReading(step);
  const { mark, pad, closePad } = useMark(step);
  const { cracked } = view;
  useKeys({
    t: () => prompt.ask === 'turn' && turn.turned(prompt.turns),
    n: () => prompt.ask === 'done' && turn.next(),
  });
  const lookout = (
    <>
      <BigButton flex={1} kind="brass" onPress={() => mark('cracked', 1)} testID="first-dribble">
        First dribble
      </BigButton>
      {prompt.ask === 'turn' ? <TurnButton turns={prompt.turns} onTurned={turn.turned} /> : null}
    </>
  );
  return (
    <StepFrame
      actions={
        cracked === undefined ? (
          lookout
        ) : (
          <NextButton
            onPress={turn.next}
          >{`It dribbles at ${units.withUnit(cracked, gauge?.resolution_pa)}: next`}</NextButton>
        )
      }
      more={
        cracked === undefined ? (
          <WordButton onPress={turn.openOther}>other amount</WordButton>
        ) : null
      }
    >
      <LiveFigure
        value={live?.value ?? view.line}
        gauge={gauge}
        settling={undefined}
        note={isLinked ? '' : 'the line as last read'}
        label="line pressure"
      />
      {sight ? <SeenPill opening={sight.opening} /> : null}
      {cracked === undefined ? <NextMove prompt={prompt} made={view.turnsMade} /> : null}
      <AmountSheet
        isOpen={turn.isOther}
        adjuster={step.adjuster}
        onTurned={turn.turned}
        onClose={turn.closeOther}
      />
      <PadSheet
        isOpen={pad !== undefined}
        title="At what pressure?"
        gauge={gauge}
        onTake={(value) => pad?.(value)}
        onClose={closePad}
      />
    </StepFrame>
  );
}

function NextMove({ prompt, made }: { readonly prompt: Prompt; readonly made: number }) {
  const turns = prompt.ask === 'turn' ? prompt.turns : undefined;
  return (
    <TurnCard position={made} turns={turns ?? 0} above="next move">
      <Title testID="next-move">
        {turns === undefined ? 'Stop turning' : `${turnWord(turns)} ${wayWord(turns)}`}
      </Title>
      <Words color="$muted">
        {turns === undefined
          ? 'No safe move is left. Is the sensing cock open, and the line where it should be?'
          : 'Then look. No dribble: turn on. The moves grow smaller as it comes near.'}
      </Words>
      <Muted>{`${turnWord(made)} made so far`}</Muted>
    </TurnCard>
  );
}
