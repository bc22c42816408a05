import type { StepOf } from '@holvek/core';
import { useState } from 'react';
import { CaptureActions } from './capture-actions';
import { CycleChart } from './cycle-chart';
import { LogSheet } from './log-sheet';
import { MarkSheet } from './mark-sheet';
import { useCapture, type Capture } from './use-capture';
import { LiveFigure } from '../parts/live-figure';
import { SeenPill } from '../parts/seen-pill';
import { StepFrame } from '../parts/step-frame';
import { PadSheet } from '../parts/step-sheets';
import { useDesk } from '@/desk/use-desk';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Row } from '@/ui/card';
import { WordButton } from '@/ui/press';
import { turnWord, wayWord } from '@/ui/turn-word';
import { Strong, Words } from '@/ui/words';

/** Ramp up, first dribble, full flow, tight again: by big buttons, or from a log that is dropped in. */
export function CaptureStep({ step }: { readonly step: StepOf<'capture'> }) {
  const capture = useCapture(step);
  const { view, prompt, gauge, live, sight, marking } = capture;
  const [open, setOpen] = useState<'log' | 'marks'>();
  const close = () => setOpen(undefined);
  const { set_point_pa: set, tolerance_pa: tolerance, limit_pa: limit } = view.stand.target;
  return (
    <StepFrame
      actions={<CaptureActions capture={capture} />}
      more={
        <>
          <WordButton onPress={() => setOpen('marks')}>move a mark</WordButton>
          <WordButton onPress={() => setOpen('log')}>from a log</WordButton>
          {view.isEnough ? null : (
            <WordButton tone="$vermilion" onPress={capture.never}>
              {step.purpose === 'as_found' ? 'it did not open' : 'never opened'}
            </WordButton>
          )}
        </>
      }
    >
      <LiveFigure
        value={live?.value}
        gauge={gauge}
        settling={undefined}
        note={`cycle ${capture.cycle} of ${view.wanted}`}
        label="line pressure"
      />
      {sight ? <SeenPill opening={sight.opening} /> : null}
      <CycleChart
        cycles={view.cycles}
        wanted={view.wanted}
        lane={{ lower: set - tolerance, upper: set + tolerance }}
        limit={limit}
        live={live?.value}
        {...(gauge ? { resolution: gauge.resolution_pa } : {})}
      />
      {prompt.ask === 'turn' ? (
        <Card tone="warn">
          <Strong color="$onBrassSoft">It cracks outside its lane</Strong>
          <Words color="$onBrassSoft">{`${turnWord(prompt.turns)} ${wayWord(prompt.turns)}, then prove it again.`}</Words>
        </Card>
      ) : null}
      <ResultCard result={view.result} step={gauge?.resolution_pa} />
      <PadSheet
        isOpen={marking.pad !== undefined}
        title="At what pressure?"
        gauge={gauge}
        onTake={(value) => marking.pad?.(value)}
        onClose={marking.closePad}
      />
      <MarkSheet
        step={step}
        isOpen={open === 'marks'}
        onMove={({ mark, cycle, eventId }, value) => marking.move({ mark, cycle }, eventId, value)}
        onClose={close}
      />
      <BottomSheet isOpen={open === 'log'} title="From a logged ramp" onClose={close}>
        <LogSheet step={step} onClose={close} />
      </BottomSheet>
    </StepFrame>
  );
}

/** What the cycles come to so far. */
function ResultCard({
  result,
  step,
}: {
  readonly result: Capture['view']['result'];
  readonly step: number | undefined;
}) {
  const { units } = useDesk();
  if (!result) return null;
  const { cracking, crackingSpread, reseat, blowdown, cycles } = result;
  const spread = cycles > 1 ? `, within ${units.figure(crackingSpread, step)}` : '';
  return (
    <Card>
      <Row label="Cracks at">{`${units.withUnit(cracking, step)}${spread}`}</Row>
      <Row label="Tight again at">{reseat === undefined ? '–' : units.withUnit(reseat, step)}</Row>
      <Row label="Blowdown" isLast>
        {blowdown === undefined ? '–' : `${(blowdown * 100).toFixed(1)} %`}
      </Row>
    </Card>
  );
}
