import type { StepOf } from '@holvek/core';
import { useState } from 'react';
import { LiveFigure } from '../parts/live-figure';
import { SkipSheet } from '../parts/skip-sheet';
import { StepFrame } from '../parts/step-frame';
import { PadSheet } from '../parts/step-sheets';
import { TraceChart } from '../parts/trace-chart';
import { useReading } from '../parts/use-reading';
import { useDesk } from '@/desk/use-desk';
import { useInstrumentWord } from '@/desk/use-instrument-word';
import { useClicker } from '@/hands/use-clicker';
import { useKeys } from '@/ui/use-keys';
import { BigButton, WordButton } from '@/ui/press';

/** One reading, taken when the needle stands still. */
export function ReadStep({ step }: { readonly step: StepOf<'read'> }) {
  const { add, isLinked, view, run } = useDesk();
  const reading = useReading(step);
  const { gauge, live, settling, samples, takeLinked, takeTyped } = reading;
  const [open, setOpen] = useState<'pad' | 'skip'>();
  const close = () => setOpen(undefined);
  const done = () => add({ type: 'step_done', step_id: step.id });
  const taken = run.readings.findLast(({ stepId }) => stepId === step.id);
  const read = async () => {
    if (!isLinked) setOpen('pad');
    else if (await takeLinked()) await done();
  };
  const word = useInstrumentWord();
  useKeys({ r: () => void read() });
  useClicker(() => void read());
  return (
    <StepFrame
      onPath
      actions={<ReadButton reading={reading} onPress={() => void read()} />}
      more={
        <>
          {isLinked ? <WordButton onPress={() => setOpen('pad')}>type it</WordButton> : null}
          {view.canSkip ? (
            <WordButton onPress={() => setOpen('skip')}>leave it out</WordButton>
          ) : null}
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
      <PadSheet
        isOpen={open === 'pad'}
        title={`Read ${gauge?.tag ?? `the ${word}`}`}
        gauge={gauge}
        onTake={(value) => {
          close();
          void takeTyped(value).then((kept) => kept && done());
        }}
        onClose={close}
      />
      <SkipSheet step={step} isOpen={open === 'skip'} onClose={close} />
    </StepFrame>
  );
}

function ReadButton({
  reading: { live, gauge, settling },
  onPress,
}: {
  readonly reading: ReturnType<typeof useReading>;
  readonly onPress: () => void;
}) {
  const { isLinked, units } = useDesk();
  const word = useInstrumentWord();
  const isSettled = settling?.state === 'settled';
  const how = isSettled ? 'Take' : 'Take it moving:';
  const linked = live
    ? `${how} ${units.withUnit(live.value, gauge?.resolution_pa)}`
    : `Waiting for the ${word}`;
  return (
    <BigButton
      flex={1}
      kind={isLinked && !isSettled ? 'outline' : 'primary'}
      onPress={onPress}
      disabled={isLinked && !live}
      keyHint="R"
      testID="read-gauge"
    >
      {isLinked ? linked : `Read ${word}`}
    </BigButton>
  );
}
