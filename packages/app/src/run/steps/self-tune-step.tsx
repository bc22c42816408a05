import { bandOfGain, pilotOf, trimNow, tuneIsDue, type Step } from '@holvek/core';
import { useState } from 'react';
import { YStack } from 'tamagui';
import { CausesButton } from '../causes-sheet';
import { StepFrame } from '../step-frame';
import { TraceChart } from '../trace-chart';
import { useDesk } from '../use-desk';
import { readRegisters } from '@/device/registers';
import { useTask } from '@/device/use-task';
import { useTrace } from '@/gauge-link/trace';
import { useKeys } from '@/shell/use-keys';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Row } from '@/ui/card';
import { Field } from '@/ui/field';
import { plainNumber } from '@/ui/plain-number';
import { BigButton, WordButton } from '@/ui/press';
import { Muted, Title, Words } from '@/ui/words';
import { spanWords } from '@/valve/aim-words';
import { deviceTrouble } from '@/words/device-words';

/** Tuning by the unit itself, when valve or trim ask for it; else its tuning is kept. */
export function SelfTuneStep({ step }: { readonly step: Step }) {
  const { run, add, ask, trace, units } = useDesk();
  const samples = useTrace(trace).samples.outlet;
  const { isOn, start } = useTask();
  const [trouble, setTrouble] = useState<string>();
  const [isTyping, setTyping] = useState(false);
  const [isAnyway, setAnyway] = useState(false);
  const plate = pilotOf(run);
  const isDue = tuneIsDue(run);
  const tuned = run.selfTune;
  const done = () => void add({ type: 'step_done', step_id: step.id });
  const go = async () => {
    if (!ask) return setTyping(true);
    setTrouble(undefined);
    const error = await start(ask, 'start_tune');
    if (error === 'gave_up') return setTrouble('The unit gave up: the line did not swing. Its old tuning stands.');
    if (error) return setTrouble(deviceTrouble(error, units));
    const read = await readRegisters(ask, ['tune_period', 'tune_amplitude', 'gain', 'integral_time']);
    if (!read.ok) return setTrouble(deviceTrouble(read.error, units));
    const { tune_period: period, tune_amplitude: amplitude, gain, integral_time: integral } = read.value;
    await add({ type: 'self_tuned', step_id: step.id, period_s: period, amplitude, gain, integral_s: integral, source: 'linked' });
  };
  const isNext = tuned !== undefined || (!isDue && !isAnyway);
  const act = () => (isNext ? done() : void go());
  useKeys({ n: () => !isOn && act() });
  return (
    <StepFrame
      hideWords={!isDue || tuned !== undefined || isOn}
      actions={
        <BigButton flex={1} kind={isNext ? 'primary' : 'brass'} disabled={isOn} onPress={act} keyHint="N" testID={isNext ? 'confirm-step' : 'start-task'}>
          {isOn ? 'It tunes itself' : tuned ? 'Tuned: next' : isNext ? 'Keep its tuning' : ask ? 'Let it tune itself' : 'Type what it found'}
        </BigButton>
      }
      more={
        <>
          {trouble ? <CausesButton say="what can be wrong" evidence={{ answer: 'no_change' }} /> : null}
          {!isDue && !tuned && !isAnyway ? <WordButton onPress={() => setAnyway(true)}>tune all the same</WordButton> : null}
          {ask && !isNext && !isOn ? <WordButton onPress={() => setTyping(true)}>type what it found</WordButton> : null}
        </>
      }
    >
      {isDue && !tuned && !isOn ? null : <Title>{tuned ? 'What it found' : isOn ? 'It swings the line a little' : 'Its tuning stands'}</Title>}
      {trouble ? (
        <Card tone="stop" role="alert"><Words color="$onVermilionSoft">{trouble}</Words></Card>
      ) : null}
      {tuned ? null : (
        <Card>
          <Row label="In the valve">{trimNow(run)}</Row>
          <Row label="Tuned for" isLast>{plate.tuned_trim ?? 'never tuned'}</Row>
          <Words color="$muted">{whyWords(isDue, isAnyway)}</Words>
        </Card>
      )}
      {tuned ? (
        <Card>
          <Row label="Gain">{`${tuned.gain.toFixed(2)}, band ${bandWords(tuned.gain)}`}</Row>
          <Row label="Integral time">{`${tuned.integral_s.toFixed(1)} s, ${(tuned.integral_s / 60).toFixed(2)} min a repeat`}</Row>
          <Row label="Swing" isLast>{tuned.period_s > 0 ? `± ${spanWords(tuned.amplitude)}, every ${tuned.period_s.toFixed(1)} s` : 'not told'}</Row>
        </Card>
      ) : null}
      {ask && (isOn || tuned) ? <TraceChart samples={samples} seconds={180} height={150} label="Line, last three minutes" /> : null}
      {isOn ? <Muted>Five swings, then it takes gain and integral time from them. Stop it at the supply when the line must go no further.</Muted> : null}
      <BottomSheet isOpen={isTyping} title="What it found" onClose={() => setTyping(false)}>
        <TypedTuning onTake={(found) => void add({ type: 'self_tuned', step_id: step.id, period_s: 0, amplitude: 0, ...found, source: 'typed' }).then(() => setTyping(false))} />
      </BottomSheet>
    </StepFrame>
  );
} // prettier-ignore

const whyWords = (isDue: boolean, isAnyway: boolean): string =>
  isDue
    ? 'Valve or trim have changed since, so it has to be done.'
    : isAnyway
      ? 'Neither valve nor trim have changed; it is tuned all the same.'
      : 'Neither valve nor trim have changed since it tuned itself. Leave it.';

const bandWords = (gain: number): string => {
  const band = bandOfGain(gain);
  return band.ok ? `${band.value.toFixed(0)} %` : '–';
};

function TypedTuning({ onTake }: { readonly onTake: (found: { readonly gain: number; readonly integral_s: number }) => void }) {
  const [texts, setTexts] = useState({ gain: '', integral: '' });
  const gain = plainNumber(texts.gain);
  const integral = plainNumber(texts.integral);
  return (
    <YStack gap="$3">
      <Field label="Gain" value={texts.gain} onChangeText={(text) => setTexts((now) => ({ ...now, gain: text }))} numeric maxLength={8} error={texts.gain !== '' && !(gain > 0) ? 'Above nothing.' : undefined} />
      <Field label="Integral time" unit="s" value={texts.integral} onChangeText={(text) => setTexts((now) => ({ ...now, integral: text }))} numeric maxLength={8} error={texts.integral !== '' && !(integral > 0) ? 'Above nothing.' : undefined} />
      <BigButton disabled={!(gain > 0 && integral > 0)} onPress={() => onTake({ gain, integral_s: integral })} testID="take-tuning">Keep them</BigButton>
    </YStack>
  );
} // prettier-ignore
