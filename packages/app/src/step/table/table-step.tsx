import type { StepOf } from '@holvek/core';
import { useState } from 'react';
import { useWatch, type Watch } from './use-watch';
import { LiveFigure } from '../parts/live-figure';
import { SkipSheet } from '../parts/skip-sheet';
import { StepFrame } from '../parts/step-frame';
import { PadSheet } from '../parts/step-sheets';
import { TraceChart } from '../parts/trace-chart';
import { useDesk } from '@/run/use-desk';
import { Card, Row } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { Muted } from '@/ui/words';

/** A record over time with nothing flowing: does the outlet rise and stop, or go on? */
export function TableStep({ step }: { readonly step: StepOf<'table'> }) {
  const { isLinked, view } = useDesk();
  const watch = useWatch(step);
  const { gauge, live, record, shown } = watch;
  const [open, setOpen] = useState<'pad' | 'skip'>();
  const close = () => setOpen(undefined);
  return (
    <StepFrame
      actions={<WatchActions watch={watch} onRead={() => setOpen('pad')} />}
      more={
        <>
          {!isLinked && watch.isEnough ? (
            <WordButton onPress={() => setOpen('pad')}>one more reading</WordButton>
          ) : null}
          {view.canSkip ? (
            <WordButton onPress={() => setOpen('skip')}>leave it out</WordButton>
          ) : null}
        </>
      }
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
        title={`Read ${gauge?.tag ?? 'the gauge'}`}
        gauge={gauge}
        onTake={(value) => {
          close();
          watch.typed(value);
        }}
        onClose={close}
      />
      <SkipSheet step={step} isOpen={open === 'skip'} onClose={close} />
    </StepFrame>
  );
}

function WatchActions({ watch, onRead }: { readonly watch: Watch; readonly onRead: () => void }) {
  const { isLinked } = useDesk();
  const { isEnough, isWatching, count, wanted, rows, verdict, live } = watch;
  if (isEnough && !isWatching)
    return (
      <BigButton flex={1} onPress={watch.finish} testID="confirm-step">
        {verdict?.passes === false ? 'Record it as it is' : 'It holds: next'}
      </BigButton>
    );
  if (!isLinked)
    return (
      <BigButton flex={1} onPress={onRead} testID="read-gauge">
        {`Read gauge, ${count} of ${rows}`}
      </BigButton>
    );
  return (
    <BigButton flex={1} onPress={watch.start} disabled={isWatching || !live} testID="watch">
      {isWatching ? `Watching, ${count} of ${wanted}` : 'Start watching'}
    </BigButton>
  );
}

/** What the record says so far, and how sure that is. */
function VerdictCard({ watch: { verdict, gauge } }: { readonly watch: Watch }) {
  const { units } = useDesk();
  if (!verdict) return null;
  const { passes, shape, sure, rise, allowed } = verdict;
  return (
    <Card {...(passes ? {} : { tone: 'stop' as const })}>
      <Row label="Shape">{shape === 'creeps' ? 'goes on rising: creep' : 'rises and levels'}</Row>
      <Row label="How sure">{`${Math.round(sure * 100)} %`}</Row>
      <Row label="Rise">{units.withUnit(rise, gauge?.resolution_pa ?? 1000)}</Row>
      <Row label="Allowed" isLast>
        {units.withUnit(allowed)}
      </Row>
    </Card>
  );
}
