import {
  bandOfGain,
  pilotOf,
  trimNow,
  tuneIsDue,
  type StepOf,
  recordOf,
  type SelfTuning,
} from '@holvek/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { YStack } from '@/ui/kit';
import { CausesButton } from '../parts/causes-sheet';
import { StepFrame } from '../parts/step-frame';
import { TraceChart } from '../parts/trace-chart';
import { useDesk } from '@/desk/use-desk';
import { readRegisters } from '@/device/registers';
import { useTask } from '@/device/use-task';
import { useTrace } from '@/gauge-link/trace';
import { useKeys } from '@/ui/use-keys';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Row } from '@/ui/card';
import { FormField } from '@/ui/form-field';
import { numberText } from '@/ui/number-text';
import { plainNumber } from '@/ui/plain-number';
import { BigButton, WordButton } from '@/ui/press';
import { useOnce } from '@/ui/use-once';
import { Muted, Title, Words } from '@/ui/words';
import { spanWords } from '@/words/aim-words';
import { deviceTrouble } from '@/device/device-words';

/** Tuning by the unit itself, when valve or trim ask for it; else its tuning is kept. */
export function SelfTuneStep({ step }: { readonly step: StepOf<'self_tune'> }) {
  const { ask, add } = useDesk();
  const tune = useSelfTune(step);
  const { tuned, isDue, isOn, isNext, trouble } = tune;
  return (
    <StepFrame
      hideWords={!isDue || tuned !== undefined || isOn}
      actions={
        <BigButton
          flex={1}
          kind={isNext ? 'primary' : 'brass'}
          disabled={isOn}
          onPress={tune.act}
          keyHint="N"
          testID={isNext ? 'confirm-step' : 'start-task'}
        >
          {actWords(tune, ask !== undefined)}
        </BigButton>
      }
      more={<MoreOfTuning tune={tune} />}
    >
      {isDue && !tuned && !isOn ? null : <Title>{titleOf(tune)}</Title>}
      {trouble ? (
        <Card tone="stop" role="alert">
          <Words color="$onVermilionSoft">{trouble}</Words>
        </Card>
      ) : null}
      {tuned ? <FoundCard tuned={tuned} /> : <TrimCard tune={tune} />}
      <LineOfUnit isShown={isOn || tuned !== undefined} />
      {isOn ? (
        <Muted>
          Five swings, then it takes gain and integral time from them. Stop it at the supply when
          the line must go no further.
        </Muted>
      ) : null}
      <BottomSheet isOpen={tune.isTyping} title="What it found" onClose={tune.stopTyping}>
        <TypedTuning
          onTake={(found) =>
            add({
              type: 'self_tuned',
              step_id: step.id,
              period_s: 0,
              amplitude: 0,
              ...found,
              source: 'typed',
            }).then(tune.stopTyping)
          }
        />
      </BottomSheet>
    </StepFrame>
  );
}

/** The unit's tuning as it stands, and the ways to take it on. */
function useSelfTune(step: StepOf<'self_tune'>) {
  const { run, add, ask, units } = useDesk();
  const { isOn, start } = useTask();
  const [trouble, setTrouble] = useState<string>();
  const [isTyping, setTyping] = useState(false);
  const [isAnyway, setAnyway] = useState(false);
  const isDue = tuneIsDue(run);
  const { tuning: tuned } = recordOf(run, step);
  const done = () => void add({ type: 'step_done', step_id: step.id });
  const go = async () => {
    if (!ask) return setTyping(true);
    setTrouble(undefined);
    const error = await start(ask, 'start_tune');
    if (error === 'gave_up')
      return setTrouble('The unit gave up: the line did not swing. Its old tuning stands.');
    if (error) return setTrouble(deviceTrouble(error, units));
    const read = await readRegisters(ask, [
      'tune_period',
      'tune_amplitude',
      'gain',
      'integral_time',
    ]);
    if (!read.ok) return setTrouble(deviceTrouble(read.error, units));
    const {
      tune_period: period,
      tune_amplitude: amplitude,
      gain,
      integral_time: integral,
    } = read.value;
    await add({
      type: 'self_tuned',
      step_id: step.id,
      period_s: period,
      amplitude,
      gain,
      integral_s: integral,
      source: 'linked',
    });
  };
  const isNext = tuned !== undefined || (!isDue && !isAnyway);
  const act = () => (isNext ? done() : void go());
  useKeys({ n: () => !isOn && act() });
  return {
    tuned,
    isDue,
    isOn,
    isNext,
    isAnyway,
    trouble,
    isTyping,
    act,
    tuneAnyway: () => setAnyway(true),
    type: () => setTyping(true),
    stopTyping: () => setTyping(false),
  };
}
type Tune = ReturnType<typeof useSelfTune>;

function actWords({ isOn, tuned, isNext }: Tune, isAsked: boolean): string {
  if (isOn) return 'It tunes itself';
  if (tuned) return 'Tuned: next';
  if (isNext) return 'Keep its tuning';
  return isAsked ? 'Let it tune itself' : 'Type what it found';
}

function titleOf({ tuned, isOn }: Tune): string {
  if (tuned) return 'What it found';
  return isOn ? 'It swings the line a little' : 'Its tuning stands';
}

function MoreOfTuning({ tune }: { readonly tune: Tune }) {
  const { ask } = useDesk();
  const { trouble, isDue, tuned, isAnyway, isNext, isOn } = tune;
  return (
    <>
      {trouble ? <CausesButton say="what can be wrong" evidence={{ answer: 'no_change' }} /> : null}
      {!isDue && !tuned && !isAnyway ? (
        <WordButton onPress={tune.tuneAnyway}>tune all the same</WordButton>
      ) : null}
      {ask && !isNext && !isOn ? (
        <WordButton onPress={tune.type}>type what it found</WordButton>
      ) : null}
    </>
  );
}

function TrimCard({ tune: { isDue, isAnyway } }: { readonly tune: Tune }) {
  const { run } = useDesk();
  return (
    <Card>
      <Row label="In the valve">{trimNow(run)}</Row>
      <Row label="Tuned for" isLast>
        {pilotOf(run).tuned_trim ?? 'never tuned'}
      </Row>
      <Words color="$muted">{whyWords(isDue, isAnyway)}</Words>
    </Card>
  );
}

function FoundCard({ tuned }: { readonly tuned: SelfTuning }) {
  const { gain, integral_s: integral, period_s: period, amplitude } = tuned;
  const minutes = (integral / 60).toFixed(2);
  return (
    <Card>
      <Row label="Gain">{`${gain.toFixed(2)}, band ${bandWords(gain)}`}</Row>
      <Row label="Integral time">{`${integral.toFixed(1)} s, ${minutes} min a repeat`}</Row>
      <Row label="Swing" isLast>
        {period > 0 ? `± ${spanWords(amplitude)}, every ${period.toFixed(1)} s` : 'not told'}
      </Row>
    </Card>
  );
}

/** The line as the unit swings it. */
function LineOfUnit({ isShown }: { readonly isShown: boolean }) {
  const { ask, trace } = useDesk();
  const samples = useTrace(trace).samples.outlet;
  if (!ask || !isShown) return null;
  return (
    <TraceChart samples={samples} seconds={180} height={150} label="Line, last three minutes" />
  );
}

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

const isAbove = (value: number): boolean => value > 0;
const tuningTexts = z.object({
  gain: numberText('Above nothing.', isAbove),
  integral: numberText('Above nothing.', isAbove),
});
type TuningTexts = z.infer<typeof tuningTexts>;

function TypedTuning({
  onTake,
}: {
  readonly onTake: (found: {
    readonly gain: number;
    readonly integral_s: number;
  }) => Promise<unknown>;
}) {
  const { control, handleSubmit, formState } = useForm<TuningTexts>({
    resolver: zodResolver(tuningTexts),
    defaultValues: { gain: '', integral: '' },
    mode: 'onChange',
  });
  const take = useOnce(
    handleSubmit(({ gain, integral }) =>
      onTake({ gain: plainNumber(gain), integral_s: plainNumber(integral) }),
    ),
  );
  const whole = { control, numeric: true, maxLength: 8 };
  return (
    <YStack gap="$3">
      <FormField {...whole} name="gain" label="Gain" />
      <FormField {...whole} name="integral" label="Integral time" unit="s" />
      <BigButton disabled={!formState.isValid} onPress={() => void take()} testID="take-tuning">
        Keep them
      </BigButton>
    </YStack>
  );
}
