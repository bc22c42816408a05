import { flameLevels, lightsView, PURGED, type Step } from '@holvek/core';
import { useState } from 'react';
import { XStack, YStack } from 'tamagui';
import { EdgeChart } from '../edge-chart';
import { CausesButton } from '../causes-sheet';
import { LiveFigure } from '../live-figure';
import { OtherAmount } from '../other-amount';
import { ReadingPad } from '../reading-pad';
import { ScrewDial } from '../screw-dial';
import { StepFrame } from '../step-frame';
import { useDesk } from '../use-desk';
import { useReading, type TypedValue } from '../use-reading';
import { latest, useTrace } from '@/gauge-link/trace';
import { useCountdown } from '@/ui/use-countdown';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Pill, Row } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { turnWord, wayWord } from '@/ui/turn-word';
import { Muted, Strong, Title, Words } from '@/ui/words';

/** Both edges of a flame: the next pressure, the screw that brings it there, one light at a time. */
export function EdgesStep({ step }: { readonly step: Step }) {
  const { run, add, trace, isLinked, units } = useDesk();
  const { gauge, live, settling } = useReading(step);
  const seen = useTrace(trace);
  const [typedNow, setTypedNow] = useState<TypedValue>();
  const [open, setOpen] = useState<'pad' | 'amount'>();
  const now = live?.value ?? typedNow?.si ?? run.readings.findLast(({ role }) => role === 'outlet')?.reading.si;
  const view = lightsView(run, now);
  const { search, middle } = view;
  const aim = search.isDone ? (middle.ok ? middle.value.pressure : undefined) : search.next?.pressure;
  const division = gauge?.resolution_pa ?? 10;
  const isThere = aim !== undefined && now !== undefined && Math.abs(now - aim) <= 3 * division;
  const turns = view.turns !== undefined && !isThere ? Math.max(-2, Math.min(2, view.turns || Math.sign((aim ?? 0) - (now ?? 0)) / 16)) : undefined;
  const turned = (made: number) => {
    setOpen(undefined);
    void add({ type: 'turned', adjuster: step.adjuster ?? 'main', turns: made });
  };
  const light = (lit: boolean, weak: boolean) => {
    const value = isLinked && live ? { si: live.value, entered: { text: units.figure(live.value, division), unit: units.pressure } } : typedNow;
    if (!gauge || !value) return;
    void add({
      type: 'light_tried', step_id: step.id, role: 'outlet', lit, ...(weak ? { weak } : {}),
      reading: { ...value, gauge_id: gauge.id, source: isLinked ? 'linked' : 'typed' },
    });
    setTypedNow(undefined);
  };
  const tryLinked = () => {
    const signal = latest(seen, 'travel')?.value ?? 0;
    light(signal > flameLevels.lit, signal > flameLevels.lit && signal < flameLevels.good);
  };
  const isSettled = settling?.state === 'settled';
  const done = () => void add({ type: 'step_done', step_id: step.id });
  const lastLight = run.lights.at(-1);
  return (
    <StepFrame
      hideWords={run.lights.length > 0}
      actions={
        view.mustPurge ? (
          <PurgeButton key={run.lights.length} seconds={run.started.house_rules.instruments?.purge_s ?? 60} />
        ) : search.isDone && !middle.ok ? null : search.isDone && isThere ? (
          <BigButton flex={1} onPress={done} testID="confirm-step">
            In the middle: next
          </BigButton>
        ) : turns !== undefined && (isLinked || now !== undefined) ? (
          <>
            {isLinked ? null : <BigButton flex={1} kind="outline" onPress={() => setOpen('pad')}>Read it</BigButton>}
            <BigButton flex={1} onPress={() => turned(turns)} disabled={isLinked && !isSettled} testID="turned" label={`Turned ${turnWord(turns)} ${wayWord(turns)}`}>
              {isLinked && !isSettled ? 'Wait for the manometer' : `Turned ${turnWord(turns)}`}
            </BigButton>
          </>
        ) : !isLinked && !typedNow ? (
          <BigButton flex={1} onPress={() => setOpen('pad')} testID="read-manometer">
            Read the manometer
          </BigButton>
        ) : isLinked ? (
          <BigButton flex={1} kind="brass" onPress={tryLinked} disabled={!isSettled} testID="light">
            Light it
          </BigButton>
        ) : (
          <XStack gap="$2" flex={1}>
            <BigButton flex={1} onPress={() => light(true, false)} testID="lit">Lit, good</BigButton>
            <BigButton flex={1} kind="brass" onPress={() => light(true, true)} testID="lit-weak">Weak</BigButton>
            <BigButton flex={1} kind="stop" onPress={() => light(false, false)} testID="not-lit">No</BigButton>
          </XStack>
        )
      }
      more={
        <>
          {turns === undefined || view.mustPurge ? null : <WordButton onPress={() => setOpen('amount')}>other amount</WordButton>}
          <CausesButton say="it doesn’t answer" />
        </>
      }
    >
      {run.lights.length > 0 ? <Title>{search.isDone ? 'Both edges are known' : search.next?.seeks === 'high' ? 'Looking for the high edge' : 'Looking for the low edge'}</Title> : null}
      <LiveFigure value={now} gauge={gauge} settling={settling} note={`${run.lights.length} of at most ${run.lights.length + view.left} lights`} label="pilot gas" />
      <EdgeChart view={view} lights={run.lights} maker={run.started.plate.family === 'burner_pilot' ? { low: run.started.plate.maker_low_pa, high: run.started.plate.maker_high_pa } : { low: 0, high: 0 }} now={now} />
      {lastLight ? (
        <XStack gap="$2" alignItems="center">
          <Pill tone={lastLight.lit ? (lastLight.weak ? 'work' : 'good') : 'stop'}>{lastLight.lit ? (lastLight.weak ? 'lit, weak signal' : 'lit') : 'did not light'}</Pill>
          <Muted>{`at ${units.withUnit(lastLight.pressure, division)}`}</Muted>
        </XStack>
      ) : null}
      {view.mustPurge ? (
        <Card tone="stop" role="alert">
          <Strong color="$onVermilionSoft">Purge first</Strong>
          <Words color="$onVermilionSoft">A failed light leaves gas behind. The whole purge runs before another spark; the clock starts anew if this page was closed.</Words>
        </Card>
      ) : search.isDone && !middle.ok ? (
        <Card tone="stop" role="alert">
          <Words color="$onVermilionSoft">The maker’s range lies outside the edges. Something else is wrong: air, spark, orifice. Put everything back and call the burner’s maker.</Words>
        </Card>
      ) : aim === undefined ? (
        <Card tone="stop" role="alert">
          <Words color="$onVermilionSoft">It lights nowhere in this range. Spark, air and flame rod come first; the gas is not the trouble.</Words>
        </Card>
      ) : (
        <Card>
          <XStack gap="$4" alignItems="center">
            <ScrewDial position={(run.marks['main'] ?? []).reduce((sum, mark) => sum + (mark.kind === 'turned' ? mark.turns : 0), 0)} turns={turns ?? 0} />
            <YStack flex={1} gap="$1">
              <Strong color="$brass" fontSize="$2">{search.isDone ? 'to the middle' : 'next light'}</Strong>
              <Title testID="next-move">{`at ${units.withUnit(aim, division)}`}</Title>
              <Words color="$muted">{isThere ? (search.isDone ? 'It stands there.' : 'It stands there: light it.') : turns === undefined ? 'Read the manometer first.' : `${turnWord(turns)} ${wayWord(turns)}, then read.`}</Words>
              {search.next && !search.isDone ? <Muted>{`Fails about ${Math.round(search.next.chanceOfFailure * 100)} times in a hundred: a failure costs a purge.`}</Muted> : null}
            </YStack>
          </XStack>
        </Card>
      )}
      {search.isDone && middle.ok ? (
        <Card>
          <Row label="To the low edge">{units.withUnit(middle.value.toLow, division)}</Row>
          <Row label="To the high edge" isLast>{units.withUnit(middle.value.toHigh, division)}</Row>
        </Card>
      ) : null}
      <BottomSheet isOpen={open === 'pad'} title="Read the manometer" onClose={() => setOpen(undefined)}>
        {gauge ? <ReadingPad gauge={gauge} onTake={(value) => { setOpen(undefined); setTypedNow(value); }} /> : null}
      </BottomSheet>
      <BottomSheet isOpen={open === 'amount'} title="How far did it go?" onClose={() => setOpen(undefined)}>
        <OtherAmount adjuster={step.adjuster ?? 'main'} onTurned={turned} />
      </BottomSheet>
    </StepFrame>
  );
} // prettier-ignore

/** Runs the purge on a clock that nobody can set back; only then may it be said that it has run. */
function PurgeButton({ seconds }: { readonly seconds: number }) {
  const { add } = useDesk();
  const left = useCountdown(seconds, true);
  return (
    <BigButton flex={1} kind="stop" disabled={left > 0} onPress={() => void add({ type: 'observed', key: PURGED, value: 'yes' })} testID="purged">
      {left > 0 ? `Purging, ${Math.ceil(left)} s` : 'The whole purge has run'}
    </BigButton>
  );
} // prettier-ignore
