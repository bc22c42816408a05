import { pilotOf, strokeVerdict, type Step, type StrokeVerdict } from '@holvek/core';
import { useState } from 'react';
import { View, XStack, YStack } from 'tamagui';
import { CausesButton } from '../causes-sheet';
import { StepFrame } from '../step-frame';
import { useDesk } from '../use-desk';
import { readRegisters } from '@/device/registers';
import { useTask } from '@/device/use-task';
import { useKeys } from '@/shell/use-keys';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Pill, Row } from '@/ui/card';
import { Field } from '@/ui/field';
import { plainNumber } from '@/ui/plain-number';
import { BigButton, WordButton } from '@/ui/press';
import { Muted, Title, Words } from '@/ui/words';
import { deviceTrouble } from '@/words/device-words';

const verdictWords: Record<StrokeVerdict, string> = {
  whole: 'Both ends are where the plate has them.',
  short: 'The stroke is too short: it met something before its end.',
  long: 'The stroke is longer than the plate’s: is it the right actuator, and is the stem still coupled?',
  backwards: 'Shut reads higher than open: motor leads or feedback are the wrong way round.',
};

/** Both ends of the stroke, found by the unit itself, and held against its plate. */
export function StrokeStep({ step }: { readonly step: Step }) {
  const { run, add, ask, units } = useDesk();
  const { seen, isOn, start } = useTask();
  const [trouble, setTrouble] = useState<string>();
  const [isTyping, setTyping] = useState(false);
  const verdict = strokeVerdict(run);
  const { stroke_counts: plated, stroke_s: seconds } = pilotOf(run);
  const go = async () => {
    if (!ask) return setTyping(true);
    setTrouble(undefined);
    const error = await start(ask, 'start_stroke');
    if (error === 'gave_up') return setTrouble('The unit gave up before it had found both ends.');
    if (error) return setTrouble(deviceTrouble(error, units));
    const read = await readRegisters(ask, ['closed_counts', 'open_counts', 'stroke_time']);
    if (!read.ok) return setTrouble(deviceTrouble(read.error, units));
    const { closed_counts: closed, open_counts: open, stroke_time: took } = read.value;
    await add({ type: 'stroked', step_id: step.id, closed, open, seconds: Math.max(0.1, took), source: 'linked' });
  };
  const done = () => void add({ type: 'step_done', step_id: step.id });
  const isWhole = verdict === 'whole';
  useKeys({ n: () => (isWhole ? done() : isOn ? undefined : void go()) });
  return (
    <StepFrame
      hideWords={run.stroke !== undefined || isOn}
      actions={
        isWhole ? (
          <BigButton flex={1} onPress={done} keyHint="N" testID="confirm-step">Both ends found: next</BigButton>
        ) : (
          <BigButton flex={1} kind="brass" disabled={isOn} onPress={() => void go()} keyHint="N" testID="start-task">
            {isOn ? 'It strokes: hands away' : ask ? (run.stroke ? 'Stroke it again' : 'Hands away: stroke it') : 'Type both ends'}
          </BigButton>
        )
      }
      more={
        <>
          {verdict && !isWhole ? <CausesButton say="what can be wrong" evidence={{ answer: 'too_little' }} /> : null}
          {ask && !isWhole && !isOn ? <WordButton onPress={() => setTyping(true)}>type both ends</WordButton> : null}
        </>
      }
    >
      {run.stroke || isOn ? <Title>{isOn ? 'It looks for its ends' : 'The stroke'}</Title> : null}
      {trouble ? (
        <Card tone="stop" role="alert"><Words color="$onVermilionSoft">{trouble}</Words></Card>
      ) : null}
      {(ask || seen) && (isOn || !run.stroke) ? <StrokeBar share={seen?.position} counts={seen?.counts} /> : null}
      {run.stroke && verdict ? (
        <Card {...(isWhole ? {} : { tone: 'stop' as const })}>
          <XStack><Pill tone={isWhole ? 'good' : 'stop'}>{verdict}</Pill></XStack>
          <Row label="Shut">{`${run.stroke.closed} counts`}</Row>
          <Row label="Open">{`${run.stroke.open} counts`}</Row>
          <Row label="Between">{`${run.stroke.open - run.stroke.closed}, plate ${plated}`}</Row>
          <Row label="Shut to open" isLast>{`${run.stroke.seconds.toFixed(1)} s, plate ${seconds} s`}</Row>
          <Words color={isWhole ? '$muted' : '$onVermilionSoft'}>{verdictWords[verdict]}</Words>
        </Card>
      ) : null}
      <BottomSheet isOpen={isTyping} title="Both ends, as the unit shows them" onClose={() => setTyping(false)}>
        <TypedStroke onTake={(ends) => void add({ type: 'stroked', step_id: step.id, ...ends, source: 'typed' }).then(() => setTyping(false))} />
      </BottomSheet>
    </StepFrame>
  );
} // prettier-ignore

/** Where the valve stands between shut and open. */
function StrokeBar({ share, counts }: { readonly share: number | undefined; readonly counts: number | undefined }) {
  const at = Math.min(1, Math.max(0, share ?? 0));
  return (
    <YStack gap="$1" role="img" aria-label={share === undefined ? 'position not read yet' : `${Math.round(at * 100)} % open`}>
      <View height={28} borderRadius="$pill" backgroundColor="$quiet" overflow="hidden" justifyContent="center">
        <View height={28} width={`${at * 100}%`} backgroundColor="$brassMark" />
      </View>
      <XStack justifyContent="space-between">
        <Muted>shut</Muted>
        <Muted fontFamily="$figures">{counts === undefined ? '–' : `${counts} counts`}</Muted>
        <Muted>open</Muted>
      </XStack>
    </YStack>
  );
} // prettier-ignore

type Ends = { readonly closed: number; readonly open: number; readonly seconds: number };
function TypedStroke({ onTake }: { readonly onTake: (ends: Ends) => void }) {
  const [texts, setTexts] = useState({ closed: '', open: '', seconds: '' });
  const values = Object.fromEntries(Object.entries(texts).map(([key, text]) => [key, plainNumber(text)])) as Ends;
  const isGood = Object.values(values).every(Number.isFinite) && values.seconds > 0;
  const field = (key: keyof Ends, label: string, unit: string) => (
    <Field label={label} unit={unit} value={texts[key]} onChangeText={(text) => setTexts((now) => ({ ...now, [key]: text }))} numeric maxLength={8} error={texts[key] !== '' && !Number.isFinite(values[key]) ? 'A plain number, please.' : undefined} />
  );
  return (
    <YStack gap="$3">
      {field('closed', 'Shut', 'counts')}
      {field('open', 'Open', 'counts')}
      {field('seconds', 'Shut to open', 's')}
      <BigButton disabled={!isGood} onPress={() => onTake(values)} testID="take-stroke">Keep them</BigButton>
    </YStack>
  );
} // prettier-ignore
