import type { Step } from '@holvek/core';
import { useState } from 'react';
import { LiveFigure } from '../live-figure';
import { ReadingPad } from '../reading-pad';
import { SkipSheet } from '../skip-sheet';
import { StepFrame } from '../step-frame';
import { TraceChart } from '../trace-chart';
import { useDesk } from '../use-desk';
import { useReading } from '../use-reading';
import { useKeys } from '@/shell/use-keys';
import { BottomSheet } from '@/ui/bottom-sheet';
import { BigButton, WordButton } from '@/ui/press';

/** One reading, taken when the needle stands still. */
export function ReadStep({ step }: { readonly step: Step }) {
  const { add, isLinked, view, run, units } = useDesk();
  const { gauge, live, settling, samples, takeLinked, takeTyped } = useReading(step);
  const [isTyping, setTyping] = useState(false);
  const [isSkipping, setSkipping] = useState(false);
  const done = () => add({ type: 'step_done', step_id: step.id });
  const taken = run.readings.findLast(({ stepId }) => stepId === step.id);
  const read = async () => {
    if (!isLinked) setTyping(true);
    else if (await takeLinked()) await done();
  };
  useKeys({ r: () => void read() });
  const isSettled = settling?.state === 'settled';
  const sayLinked = live
    ? `${isSettled ? 'Take' : 'Take it moving:'} ${units.withUnit(live.value, gauge?.resolution_pa)}`
    : 'Waiting for the gauge';
  return (
    <StepFrame
      actions={
        <BigButton
          flex={1}
          kind={isLinked && !isSettled ? 'outline' : 'primary'}
          onPress={() => void read()}
          disabled={isLinked && !live}
          keyHint="R"
          testID="read-gauge"
        >
          {isLinked ? sayLinked : 'Read gauge'}
        </BigButton>
      }
      more={
        <>
          {isLinked ? <WordButton onPress={() => setTyping(true)}>type it</WordButton> : null}
          {view.canSkip ? <WordButton onPress={() => setSkipping(true)}>leave it out</WordButton> : null}
        </>
      }
    >
      <LiveFigure
        value={live?.value ?? taken?.reading.si}
        gauge={gauge}
        settling={settling}
        note={gauge?.tag ?? ''}
        label={`${step.role} pressure`}
      />
      {isLinked ? (
        <TraceChart samples={samples} label={`${step.role} pressure, last minutes`} seconds={90} />
      ) : null}
      <BottomSheet
        isOpen={isTyping}
        title={`Read ${gauge?.tag ?? 'the gauge'}`}
        onClose={() => setTyping(false)}
      >
        {gauge ? (
          <ReadingPad
            gauge={gauge}
            onTake={(value) => {
              setTyping(false);
              void takeTyped(value).then((kept) => kept && done());
            }}
          />
        ) : null}
      </BottomSheet>
      <SkipSheet step={step} isOpen={isSkipping} onClose={() => setSkipping(false)} />
    </StepFrame>
  );
}
