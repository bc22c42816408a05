import { instrumentRules, sweepPosition, sweepView, type Alignment, type Step } from '@holvek/core';
import { useEffect, useState } from 'react';
import { XStack, YStack } from 'tamagui';
import { CausesButton } from '../causes-sheet';
import { LiveFigure } from '../live-figure';
import { OtherAmount } from '../other-amount';
import { ReadingPad } from '../reading-pad';
import { ScrewDial } from '../screw-dial';
import { StepFrame } from '../step-frame';
import { SweepChart } from '../sweep-chart';
import { useDesk } from '../use-desk';
import { useReading, type TypedValue } from '../use-reading';
import { useKeys } from '@/shell/use-keys';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Pill } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { turnWord, wayWord } from '@/ui/turn-word';
import { Muted, Strong, Title, Words } from '@/ui/words';
import { spanWords } from '@/valve/aim-words';

const verdictWord: Record<Alignment['verdict'], string> = {
  flat: 'flat',
  leans: 'leans',
  wanders: 'wanders',
};
const bandWord = (gain: number) =>
  `${gain < 0 ? 'reverse' : 'direct'}, ${Math.round(100 / Math.abs(gain))} %`;

/** The band swept from narrow reverse to narrow direct: the output must stay put. */
export function SweepStep({ step }: { readonly step: Step }) {
  const { run, add, isLinked, units, drive } = useDesk();
  const { gauge, live, settling } = useReading({ ...step, role: 'outlet' });
  const view = sweepView(run);
  const [open, setOpen] = useState<'pad' | 'amount'>();
  const { nextGain, turns, alignment } = view;
  const { plate } = run.started;
  const middle = plate.family === 'controller' ? (plate.out.low + plate.out.high) / 2 : 0;
  useEffect(() => {
    if (nextGain !== undefined && isLinked) drive({ sweep: sweepPosition(nextGain) });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- drive is made anew each time
  }, [nextGain, isLinked, view.taken.length]);
  const take = (value: TypedValue, source: 'typed' | 'linked') => {
    setOpen(undefined);
    if (gauge && nextGain !== undefined)
      void add({ type: 'swept', step_id: step.id, gain: nextGain, role: 'outlet', reading: { ...value, gauge_id: gauge.id, source } });
  };
  const isSettled = settling?.state === 'settled';
  const takeLinked = () => {
    if (!live) return;
    const si = isSettled ? settling.level : live.value;
    take({ si, entered: { text: units.figure(si, gauge?.resolution_pa), unit: units.pressure } }, 'linked');
  };
  const turn = (made: number) => {
    setOpen(undefined);
    void add({ type: 'turned', adjuster: 'alignment', turns: made });
  };
  const isFlat = nextGain === undefined && alignment.ok && alignment.value.verdict === 'flat';
  const done = () => void add({ type: 'step_done', step_id: step.id });
  useKeys({ r: () => isSettled && takeLinked(), t: () => turns !== undefined && turn(turns), n: () => isFlat && done() });
  return (
    <StepFrame
      hideWords={view.taken.length > 0 || run.sweeps.length > 0}
      actions={
        nextGain !== undefined ? (
          isLinked ? (
            <BigButton flex={1} kind={isSettled ? 'primary' : 'outline'} disabled={!isSettled} onPress={takeLinked} keyHint="R" testID="take-sweep">
              {live ? `${isSettled ? 'Take' : 'Wait:'} ${units.withUnit(live.value, gauge?.resolution_pa)}` : 'Waiting for the gauge'}
            </BigButton>
          ) : (
            <BigButton flex={1} onPress={() => setOpen('pad')} keyHint="R" testID="take-sweep">
              {`Read output at ${bandWord(nextGain)}`}
            </BigButton>
          )
        ) : isFlat ? (
          <BigButton flex={1} onPress={done} keyHint="N" testID="confirm-step">
            Output stays put: next
          </BigButton>
        ) : turns === undefined ? null : (
          <BigButton flex={1} onPress={() => turn(turns)} keyHint="T" testID="turned" label={`Turned ${turnWord(turns)} ${wayWord(turns)}`}>
            {`Turned ${turnWord(turns)}`}
          </BigButton>
        )
      }
      more={
        <>
          {turns === undefined ? null : <WordButton onPress={() => setOpen('amount')}>other amount</WordButton>}
          <CausesButton say="it doesn’t answer" />
        </>
      }
    >
      {run.sweeps.length > 0 ? <Title>Sweep the band</Title> : null}
      <LiveFigure value={live?.value ?? view.taken.at(-1)?.output} gauge={gauge} settling={settling} note={nextGain === undefined ? '' : `band ${bandWord(nextGain)}`} label="controller output" />
      <SweepChart bands={view.taken} tolerance={instrumentRules(run.started.house_rules).alignment_tolerance_pa} middle={middle} next={nextGain} />
      {nextGain === undefined && alignment.ok ? (
        <Card>
          <XStack gap="$4" alignItems="center">
            <ScrewDial position={(run.marks['alignment'] ?? []).reduce((sum, mark) => sum + (mark.kind === 'turned' ? mark.turns : 0), 0)} turns={turns ?? 0} />
            <YStack flex={1} gap="$1">
              <XStack><Pill tone={alignment.value.verdict === 'flat' ? 'good' : 'stop'}>{verdictWord[alignment.value.verdict]}</Pill></XStack>
              <Title testID="next-move">{turns === undefined ? (isFlat ? 'Aligned' : 'Look for a leak') : `${turnWord(turns)} ${wayWord(turns)}`}</Title>
              <Words color="$muted">
                {isFlat
                  ? `Moves ± ${units.withUnit(alignment.value.spread, gauge?.resolution_pa)} over the whole sweep.`
                  : alignment.value.verdict === 'leans'
                    ? `The process pointer stands ${spanWords(Math.abs(alignment.value.offset), 2)} ${alignment.value.offset > 0 ? 'high' : 'low'} of the set pointer. Bring them together, then sweep again.`
                    : 'It moves without following the band. A bellows or the reset valve leaks: soap test first.'}
              </Words>
            </YStack>
          </XStack>
        </Card>
      ) : (
        <Muted>{nextGain === undefined ? '' : `Band to ${bandWord(nextGain)}, then read the output.`}</Muted>
      )}
      {nextGain === undefined && !alignment.ok ? <Strong color="$vermilion">The sweep is too short to judge.</Strong> : null}
      <BottomSheet isOpen={open === 'pad'} title="Output" onClose={() => setOpen(undefined)}>
        {gauge ? <ReadingPad gauge={gauge} onTake={(value) => take(value, 'typed')} /> : null}
      </BottomSheet>
      <BottomSheet isOpen={open === 'amount'} title="How far did it go?" onClose={() => setOpen(undefined)}>
        <OtherAmount adjuster="alignment" onTurned={turn} />
      </BottomSheet>
    </StepFrame>
  );
} // prettier-ignore
