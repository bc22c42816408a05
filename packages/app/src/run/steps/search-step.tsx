import { searchView, type Step } from '@holvek/core';
import { useState } from 'react';
import { XStack, YStack } from 'tamagui';
import { LiveFigure } from '../live-figure';
import { OtherAmount } from '../other-amount';
import { ReadingPad } from '../reading-pad';
import { ScrewDial } from '../screw-dial';
import { SeenPill } from '../seen-pill';
import { StepFrame } from '../step-frame';
import { useDesk } from '../use-desk';
import { useMark } from '../use-mark';
import { useReading } from '../use-reading';
import { useKeys } from '@/shell/use-keys';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { turnWord, wayWord } from '@/ui/turn-word';
import { Muted, Strong, Title, Words } from '@/ui/words';

/** Lowering in small moves, watching for the first dribble. */
export function SearchStep({ step }: { readonly step: Step }) {
  const { run, add, isLinked, units } = useDesk();
  const view = searchView(run, step);
  const { gauge, live, sight } = useReading(step);
  const { mark, pad, closePad } = useMark(step);
  const [isOther, setOther] = useState(false);
  const turns = view.move && 'turns' in view.move ? view.move.turns : undefined;
  const turn = (made: number) => {
    setOther(false);
    void add({ type: 'turned', adjuster: view.stand.spec.id, turns: made });
  };
  const next = () => void add({ type: 'step_done', step_id: step.id });
  const cracked = view.cracked !== undefined;
  useKeys({ t: () => turns !== undefined && turn(turns), n: () => cracked && next() });
  return (
    <StepFrame
      actions={
        cracked ? (
          <BigButton flex={1} onPress={next} keyHint="N" testID="confirm-step">
            {`It dribbles at ${units.withUnit(view.cracked!, gauge?.resolution_pa)}: next`}
          </BigButton>
        ) : (
          <>
            <BigButton flex={1} kind="brass" onPress={() => mark('cracked', 1)} testID="first-dribble">
              First dribble
            </BigButton>
            {turns === undefined ? null : (
              <BigButton
                flex={1}
                onPress={() => turn(turns)}
                keyHint="T"
                testID="turned"
                label={`Turned ${turnWord(turns)} ${wayWord(turns)}`}
              >
                {`Turned ${turnWord(turns)}`}
              </BigButton>
            )}
          </>
        )
      }
      more={cracked ? null : <WordButton onPress={() => setOther(true)}>other amount</WordButton>}
    >
      <LiveFigure
        value={live?.value ?? view.line}
        gauge={gauge}
        settling={undefined}
        note={isLinked ? '' : 'the line as last read'}
        label="line pressure"
      />
      {sight ? <SeenPill opening={sight.opening} /> : null}
      {cracked ? null : (
        <Card>
          <XStack gap="$4" alignItems="center">
            <ScrewDial position={view.turnsMade} turns={turns ?? 0} />
            <YStack flex={1} gap="$1">
              <Strong color="$brass" fontSize="$2">
                next move
              </Strong>
              <Title testID="next-move">
                {turns === undefined ? 'Stop turning' : `${turnWord(turns)} ${wayWord(turns)}`}
              </Title>
              <Words color="$muted">
                {turns === undefined
                  ? 'No safe move is left. Is the sensing cock open, and the line where it should be?'
                  : 'Then look. No dribble: turn on. The moves grow smaller as it comes near.'}
              </Words>
              <Muted>{`${turnWord(view.turnsMade)} made so far`}</Muted>
            </YStack>
          </XStack>
        </Card>
      )}
      <BottomSheet isOpen={isOther} title="How far did it go?" onClose={() => setOther(false)}>
        <OtherAmount adjuster={view.stand.spec.id} onTurned={turn} />
      </BottomSheet>
      <BottomSheet isOpen={pad !== undefined} title="At what pressure?" onClose={closePad}>
        {gauge && pad ? <ReadingPad gauge={gauge} onTake={pad} /> : null}
      </BottomSheet>
    </StepFrame>
  );
}
