import type { StepOf } from '@holvek/core';
import { useState } from 'react';
import { useWatch, type Watch } from './use-watch';
import { WatchLog } from './watch-log';
import { LiveFigure } from '../parts/live-figure';
import { SkipSheet } from '../parts/skip-sheet';
import { StepFrame } from '../parts/step-frame';
import { PadSheet } from '../parts/step-sheets';
import { TraceChart } from '../parts/trace-chart';
import { useDesk } from '@/desk/use-desk';
import { useInstrumentWord } from '@/desk/use-instrument-word';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Row } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { Muted } from '@/ui/words';

/** A record over time with nothing flowing: does the outlet rise and stop, or go on? */
export function TableStep({ step }: { readonly step: StepOf<'table'> }) {
  const { isLinked, add } = useDesk();
  const watch = useWatch(step);
  const word = useInstrumentWord();
  const { gauge, live, record, shown } = watch;
  const [open, setOpen] = useState<Opened>();
  const close = () => setOpen(undefined);
  const finish = () => void add({ type: 'step_done', step_id: step.id });
  return (
    <StepFrame
      actions={<WatchActions watch={watch} onFinish={finish} onRead={() => setOpen('pad')} />}
      more={<MoreWays watch={watch} onFinish={finish} onOpen={setOpen} />}
    >
      <LiveFigure
        value={live?.value ?? shown}
        gauge={gauge}
        settling={undefined}
        note={isLinked ? '' : `every ${Math.round(watch.every)} s or so`}
        label={`${step.role} pressure`}
      />
      {record.length > 1 ? (
        <TraceChart dots samples={record} label="Outlet with nothing flowing" height={150} />
      ) : (
        <Muted>The line is drawn as the readings come in.</Muted>
      )}
      <VerdictCard watch={watch} />
      <PadSheet
        isOpen={open === 'pad'}
        title={`Read ${gauge?.tag ?? `the ${word}`}`}
        gauge={gauge}
        onTake={(value) => {
          close();
          watch.typed(value);
        }}
        onClose={close}
      />
      <BottomSheet isOpen={open === 'log'} title="Nothing flowing, from a log" onClose={close}>
        <WatchLog watch={watch} onClose={close} />
      </BottomSheet>
      <SkipSheet step={step} isOpen={open === 'skip'} onClose={close} />
    </StepFrame>
  );
}

type Opened = 'pad' | 'log' | 'skip';

/** What else may be done than read on. */
function MoreWays({
  watch: { count, isOver, isEnough, isLogged },
  onFinish,
  onOpen,
}: {
  readonly watch: Watch;
  readonly onFinish: () => void;
  readonly onOpen: (what: Opened) => void;
}) {
  const { isLinked, view } = useDesk();
  return (
    <>
      {count === 0 && !isLinked ? (
        <WordButton onPress={() => onOpen('log')}>from a log</WordButton>
      ) : null}
      {isOver && !isLinked && !isLogged ? (
        <WordButton onPress={() => onOpen('pad')}>one more reading</WordButton>
      ) : null}
      {isEnough && !isOver && !isLogged ? (
        <WordButton onPress={onFinish}>stop here, not told</WordButton>
      ) : null}
      {view.canSkip ? <WordButton onPress={() => onOpen('skip')}>leave it out</WordButton> : null}
    </>
  );
}

type ActionsProps = {
  readonly watch: Watch;
  readonly onFinish: () => void;
  readonly onRead: () => void;
};

function WatchActions({ watch, onFinish, onRead }: ActionsProps) {
  const word = useInstrumentWord();
  const { isLinked } = useDesk();
  const { isOver, isEnough, isWatching, isLogged, count, rows, verdict, live } = watch;
  const { elapsed, least, longest } = watch;
  if (isOver)
    return (
      <BigButton flex={1} onPress={onFinish} testID="confirm-step">
        {verdict?.passes === false ? 'Record it as it is' : 'It holds: next'}
      </BigButton>
    );
  if (isLogged)
    return (
      <BigButton flex={1} onPress={onFinish} testID="confirm-step">
        It cannot be told: next
      </BigButton>
    );
  if (!isLinked)
    return (
      <BigButton flex={1} onPress={onRead} testID="read-gauge">
        {isEnough ? 'Watch on: read again' : `Read ${word}, ${count} of ${rows}`}
      </BigButton>
    );
  return (
    <BigButton flex={1} onPress={watch.start} disabled={isWatching || !live} testID="watch">
      {isWatching
        ? `Watching, ${Math.floor(elapsed)} of ${elapsed < least ? least : longest} s`
        : 'Start watching'}
    </BigButton>
  );
}

const shapeWord = { levels: 'rises and levels', creeps: 'goes on rising: creep' } as const;

/** What the record says so far, and how sure that is. */
function VerdictCard({ watch: { verdict, gauge, isOver } }: { readonly watch: Watch }) {
  const { units } = useDesk();
  if (!verdict) return null;
  const { passes, shape, sure, rise, allowed } = verdict;
  const isTold = shape !== 'cannot_tell';
  const isOpen = !isTold && rise <= allowed;
  const notTold = isOver ? 'could not be told' : 'cannot tell yet: watch on';
  return (
    <Card {...(passes || isOpen ? {} : { tone: 'stop' as const })}>
      <Row label="Shape">{isTold ? shapeWord[shape] : notTold}</Row>
      {isTold ? <Row label="How sure">{`${Math.floor(sure * 100)} %`}</Row> : null}
      <Row label="Rise">{units.withUnit(rise, gauge?.resolution_pa ?? 1000)}</Row>
      <Row label="Allowed" isLast>
        {units.withUnit(allowed)}
      </Row>
    </Card>
  );
}
