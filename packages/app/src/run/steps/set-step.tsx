import { adjustersOf, settingView, type Step } from '@holvek/core';
import { useEffect, useState } from 'react';
import { YStack } from 'tamagui';
import { DeafSheet } from '../deaf-sheet';
import { LaneStrip } from '../lane-strip';
import { LiveFigure } from '../live-figure';
import { MoveCard } from '../move-card';
import { OtherAmount } from '../other-amount';
import { ReadingPad } from '../reading-pad';
import { StepFrame } from '../step-frame';
import { useStepText } from '../step-words';
import { useDesk } from '../use-desk';
import { useReading } from '../use-reading';
import { useKeys } from '@/shell/use-keys';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { turnWord } from '@/ui/turn-word';
import { Strong, Title, Words } from '@/ui/words';

/** Coming up to the set point: read, turn, wait, read. */
export function SetStep({ step }: { readonly step: Step }) {
  const { run, add, isLinked, units } = useDesk();
  const adjuster = step.adjuster ?? 'main';
  const view = settingView(run, adjuster);
  const { gauge, live, settling, sight, takeLinked, takeTyped } = useReading(step);
  const [open, setOpen] = useState<'pad' | 'deaf' | 'amount'>();
  const wait = useWait(
    run.marks[adjuster]?.findLast(({ kind }) => kind === 'turned')?.atMs,
    run.started.house_rules.settle_wait_s,
  );
  const { move } = view;
  const mustRead = move === undefined;
  const { sign, target } = view;
  const last = view.dots.at(-1);
  const shown = live?.value ?? (last && sign * last.pressure);
  const turn = (turns: number) => {
    setOpen(undefined);
    void add({ type: 'turned', adjuster, turns });
  };
  const read = () => (isLinked ? void takeLinked() : setOpen('pad'));
  const next = () => void add({ type: 'step_done', step_id: step.id });
  const isDone = move?.kind === 'done';
  const turns = move && 'turns' in move ? move.turns : undefined;
  useKeys({
    r: read,
    t: () => turns !== undefined && turn(turns),
    n: () => isDone && next(),
    d: () => setOpen('deaf'),
  });
  const isSettled = settling?.state === 'settled';
  const wideOpen = wideOpenWords[run.started.plate.family] ?? wideOpenWords['reducing']!;
  const unsettled = run.readings.findLast(({ stepId }) => stepId === step.id);
  const togo = last && shown !== undefined ? sign * (target.set_point_pa - shown) : undefined;
  const fill = useStepText();
  return (
    <StepFrame
      hideWords
      actions={
        <>
          <BigButton
            flex={1}
            kind={mustRead && (!isLinked || isSettled) ? 'primary' : 'outline'}
            onPress={read}
            disabled={isLinked && !live}
            keyHint="R"
            testID="read-gauge"
          >
            Read gauge
          </BigButton>
          {isDone ? (
            <BigButton flex={1} onPress={next} keyHint="N" testID="in-lane">
              In the lane: next
            </BigButton>
          ) : turns === undefined ? null : (
            <BigButton
              flex={1}
              onPress={() => turn(turns)}
              keyHint="T"
              testID="turned"
              label={`Turned ${turnWord(turns)} ${turns > 0 ? 'clockwise' : 'anticlockwise'}`}
            >
              {`Turned ${turnWord(turns)}`}
            </BigButton>
          )}
        </>
      }
      more={
        <>
          <WordButton onPress={() => setOpen('amount')}>other amount</WordButton>
          <WordButton tone="$vermilion" onPress={() => setOpen('deaf')}>
            gauge doesn’t answer
          </WordButton>
        </>
      }
    >
      {adjustersOf(run.started.plate).length > 1 ? <Title>{fill(step.say, adjuster)}</Title> : null}
      <LiveFigure
        value={shown}
        gauge={gauge}
        settling={settling}
        note={
          togo === undefined
            ? (gauge?.tag ?? '')
            : Math.abs(togo) < target.tolerance_pa
              ? 'in the lane'
              : `${units.withUnit(Math.abs(togo), gauge?.resolution_pa)} ${togo > 0 === (view.spec.approach === 'from_below') ? 'to go' : togo > 0 ? 'under' : 'over'}`
        }
        label={`${step.role ?? 'outlet'} pressure`}
      />
      {step.around ? <Words color="$brass">{fill(step.around, adjuster)}</Words> : null}
      <LaneStrip
        aim={view.aim}
        sign={sign}
        dots={view.dots}
        move={move}
        live={live && sign * live.value}
        resolution={gauge?.resolution_pa ?? 1000}
      />
      {sight?.wideOpen && !isDone ? (
        <Card tone="warn" role="alert">
          <Strong color="$onBrassSoft">{wideOpen.title}</Strong>
          <Words color="$onBrassSoft">{wideOpen.say}</Words>
        </Card>
      ) : null}
      {view.answer === 'no_change' || view.answer === 'wrong_way' ? (
        <Card tone="stop" role="alert">
          <Strong color="$onVermilionSoft">
            {view.answer === 'wrong_way' ? 'It went the other way' : 'It didn’t answer that turn'}
          </Strong>
          <BigButton kind="stop" onPress={() => setOpen('deaf')}>
            See why
          </BigButton>
        </Card>
      ) : null}
      <MoveCard
        view={view}
        pendingHint={
          isLinked
            ? isSettled
              ? 'It has settled: read it.'
              : 'Wait for it to settle.'
            : wait > 0
              ? `Wait ${wait} s more, or read it twice.`
              : 'Read the gauge.'
        }
        wasUnsettled={unsettled !== undefined && !unsettled.settled && mustRead}
      />
      <BottomSheet
        isOpen={open === 'pad'}
        title={`Read ${gauge?.tag ?? 'the gauge'}`}
        onClose={() => setOpen(undefined)}
      >
        {gauge ? (
          <ReadingPad
            gauge={gauge}
            hint={
              wait > 0
                ? `Still settling for about ${wait} s: a reading now counts only if the next one agrees.`
                : 'Needle still? What does it show?'
            }
            onTake={(value) => {
              setOpen(undefined);
              void takeTyped(value);
            }}
          />
        ) : null}
      </BottomSheet>
      <BottomSheet isOpen={open === 'amount'} title="How far did it go?" onClose={() => setOpen(undefined)}>
        <OtherAmount adjuster={adjuster} onTurned={turn} />
      </BottomSheet>
      <BottomSheet
        isOpen={open === 'deaf'}
        title="It doesn’t answer. Most likely:"
        onClose={() => setOpen(undefined)}
      >
        <DeafSheet
          view={view}
          adjuster={adjuster}
          settling={settling}
          sight={sight}
          onClose={() => setOpen(undefined)}
        />
      </BottomSheet>
      <YStack height={4} />
    </StepFrame>
  );
}

/** What a valve that stands wide open means, and what not to do about it. */
const wideOpenWords: Readonly<Record<string, { readonly title: string; readonly say: string }>> = {
  reducing: {
    title: 'Wide open: the main is still filling',
    say: 'Vent quiet, water going somewhere. Wait and watch it; don’t wind on.',
  },
  sustaining: {
    title: 'Wide open: demand is weaker than supply',
    say: 'There is nothing to sustain. Open more outlets, then read again.',
  },
  gas: {
    title: 'Wide open: more is drawn than comes',
    say: 'Shut burners until only a small flow is left.',
  },
};

/** Whole seconds left of a wait that began at a moment; counts down by itself. */
function useWait(since: number | undefined, seconds: number): number {
  const [now, setNow] = useState(() => Date.now());
  const left = since === undefined ? 0 : Math.max(0, Math.ceil(seconds - Math.max(0, now - since) / 1000));
  useEffect(() => {
    if (since === undefined) return undefined;
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, [since]);
  return left;
}
