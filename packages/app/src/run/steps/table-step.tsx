import { noFlowVerdict, type Step } from '@holvek/core';
import { useEffect, useRef, useState } from 'react';
import { LiveFigure } from '../live-figure';
import { ReadingPad } from '../reading-pad';
import { SkipSheet } from '../skip-sheet';
import { StepFrame } from '../step-frame';
import { TraceChart } from '../trace-chart';
import { useDesk } from '../use-desk';
import { useReading } from '../use-reading';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Row } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { Muted } from '@/ui/words';

const MOST = 9;

/** A record over time with nothing flowing: does the outlet rise and stop, or go on? */
export function TableStep({ step }: { readonly step: Step }) {
  const { add, isLinked, run, units, view } = useDesk();
  const { gauge, live, takeLinked, takeTyped } = useReading(step);
  const [isWatching, setWatching] = useState(false);
  const [open, setOpen] = useState<'pad' | 'skip'>();
  const taken = run.readings.filter(({ stepId }) => stepId === step.id);
  const start = taken[0]?.atMs;
  const record = taken.map(({ reading, elapsed }) => ({ t: elapsed ?? 0, value: reading.si }));
  const rows = step.rows ?? 6;
  const every = run.started.house_rules.no_flow_record_s / (MOST - 1);
  const elapsed = () => (start === undefined ? 0 : Math.round((Date.now() - start) / 100) / 10);
  const take = useRef(takeLinked);
  useEffect(() => {
    take.current = takeLinked;
  });
  useEffect(() => {
    if (!isWatching || taken.length >= MOST) return undefined;
    const due = start === undefined ? 0 : start + taken.length * every * 1000 - Date.now();
    const timer = setTimeout(() => void take.current(start === undefined ? 0 : elapsed()), Math.max(0, due));
    return () => clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- a new reading starts the next wait
  }, [isWatching, taken.length, start, every]);
  const setPoint =
    run.readings.findLast(({ purpose }) => purpose === 'setting')?.reading.si ??
    run.started.target.set_point_pa;
  const verdict = gauge
    ? noFlowVerdict(record, setPoint, gauge.resolution_pa, run.started.house_rules)
    : undefined;
  const isEnough = taken.length >= rows;
  const finish = () => void add({ type: 'step_done', step_id: step.id });
  return (
    <StepFrame
      actions={
        isEnough && !(isWatching && taken.length < MOST) ? (
          <BigButton flex={1} onPress={finish} testID="confirm-step">
            {verdict?.ok && !verdict.value.passes ? 'Record it as it is' : 'It holds: next'}
          </BigButton>
        ) : isLinked ? (
          <BigButton flex={1} onPress={() => setWatching(true)} disabled={isWatching || !live} testID="watch">
            {isWatching ? `Watching, ${taken.length} of ${MOST}` : 'Start watching'}
          </BigButton>
        ) : (
          <BigButton flex={1} onPress={() => setOpen('pad')} testID="read-gauge">
            {`Read gauge, ${taken.length} of ${rows}`}
          </BigButton>
        )
      }
      more={
        <>
          {!isLinked && isEnough ? (
            <WordButton onPress={() => setOpen('pad')}>one more reading</WordButton>
          ) : null}
          {view.canSkip ? <WordButton onPress={() => setOpen('skip')}>leave it out</WordButton> : null}
        </>
      }
    >
      <LiveFigure
        value={live?.value ?? taken.at(-1)?.reading.si}
        gauge={gauge}
        settling={undefined}
        note={isLinked ? '' : `every ${Math.round(every)} s or so`}
        label={`${step.role ?? 'outlet'} pressure`}
      />
      {record.length > 1 ? (
        <TraceChart dots samples={record} label="Outlet with nothing flowing" height={150} />
      ) : (
        <Muted>The line is drawn as the readings come in.</Muted>
      )}
      {verdict?.ok ? (
        <Card {...(verdict.value.passes ? {} : { tone: 'stop' as const })}>
          <Row label="Shape">
            {verdict.value.shape === 'creeps' ? 'goes on rising: creep' : 'rises and levels'}
          </Row>
          <Row label="How sure">{`${Math.round(verdict.value.sure * 100)} %`}</Row>
          <Row label="Rise">{units.withUnit(verdict.value.rise, gauge?.resolution_pa ?? 1000)}</Row>
          <Row label="Allowed" isLast>
            {units.withUnit(verdict.value.allowed)}
          </Row>
        </Card>
      ) : null}
      <BottomSheet
        isOpen={open === 'pad'}
        title={`Read ${gauge?.tag ?? 'the gauge'}`}
        onClose={() => setOpen(undefined)}
      >
        {gauge ? (
          <ReadingPad
            gauge={gauge}
            onTake={(value) => {
              setOpen(undefined);
              void takeTyped(value, elapsed());
            }}
          />
        ) : null}
      </BottomSheet>
      <SkipSheet step={step} isOpen={open === 'skip'} onClose={() => setOpen(undefined)} />
    </StepFrame>
  );
}
