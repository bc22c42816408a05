import {
  pilotOf,
  recordOf,
  strokeVerdict,
  type StepOf,
  type StrokeVerdict,
  type Stroke,
} from '@holvek/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { View, XStack, YStack } from '@/ui/kit';
import { CausesButton } from '../parts/causes-sheet';
import { StepFrame } from '../parts/step-frame';
import { NextButton } from '../parts/turn-button';
import { useDesk } from '@/desk/use-desk';
import { readRegisters } from '@/device/registers';
import { useTask } from '@/device/use-task';
import { useKeys } from '@/ui/use-keys';
import { useOnce } from '@/ui/use-once';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Pill, Row } from '@/ui/card';
import { FormField } from '@/ui/form-field';
import { numberText } from '@/ui/number-text';
import { plainNumber } from '@/ui/plain-number';
import { BigButton, WordButton } from '@/ui/press';
import { Muted, Title, Words } from '@/ui/words';
import { deviceTrouble } from '@/device/device-words';

const verdictWords: Record<StrokeVerdict, string> = {
  whole: 'Both ends are where the plate has them.',
  short: 'The stroke is too short: it met something before its end.',
  long: 'The stroke is longer than the plate’s: is it the right actuator, and is the stem still coupled?',
  backwards: 'Shut reads higher than open: motor leads or feedback are the wrong way round.',
};

/** Both ends of the stroke, found by the unit itself, and held against its plate. */
export function StrokeStep({ step }: { readonly step: StepOf<'stroke'> }) {
  const { add } = useDesk();
  const found = useStroke(step);
  const { stroke, isOn } = found;
  return (
    <StepFrame
      hideWords={stroke !== undefined || isOn}
      actions={<StrokeActions found={found} />}
      more={<StrokeWaysOn found={found} />}
    >
      {stroke || isOn ? <Title>{isOn ? 'It looks for its ends' : 'The stroke'}</Title> : null}
      <StrokeSoFar found={found} />
      <BottomSheet
        isOpen={found.isTyping}
        title="Both ends, as the unit shows them"
        onClose={found.stopTyping}
      >
        <TypedStroke
          onTake={(ends) =>
            add({ type: 'stroked', step_id: step.id, ...ends, source: 'typed' }).then(
              found.stopTyping,
            )
          }
        />
      </BottomSheet>
    </StepFrame>
  );
}

/** A stroke as far as it has come, and the ways to take it on. */
function useStroke(step: StepOf<'stroke'>) {
  const { run, add, ask, units } = useDesk();
  const { seen, isOn, start } = useTask();
  const [trouble, setTrouble] = useState<string>();
  const [isTyping, setTyping] = useState(false);
  const { stroke } = recordOf(run, step);
  const verdict = strokeVerdict(run);
  const go = async () => {
    if (!ask) return setTyping(true);
    setTrouble(undefined);
    const error = await start(ask, 'start_stroke');
    if (error === 'gave_up') return setTrouble('The unit gave up before it had found both ends.');
    if (error) return setTrouble(deviceTrouble(error, units));
    const read = await readRegisters(ask, ['closed_counts', 'open_counts', 'stroke_time']);
    if (!read.ok) return setTrouble(deviceTrouble(read.error, units));
    const { closed_counts: closed, open_counts: open, stroke_time: took } = read.value;
    await add({
      type: 'stroked',
      step_id: step.id,
      closed,
      open,
      seconds: Math.max(0.1, took),
      source: 'linked',
    });
  };
  const done = () => void add({ type: 'step_done', step_id: step.id });
  const isWhole = verdict === 'whole';
  useKeys({ n: () => (isWhole ? done() : isOn ? undefined : void go()) });
  return {
    stroke,
    verdict,
    seen,
    isOn,
    isWhole,
    trouble,
    isTyping,
    go,
    done,
    type: () => setTyping(true),
    stopTyping: () => setTyping(false),
  };
}
type Found = ReturnType<typeof useStroke>;

function StrokeWaysOn({ found: { verdict, isWhole, isOn, type } }: { readonly found: Found }) {
  const { ask } = useDesk();
  if (isWhole) return null;
  return (
    <>
      {verdict ? (
        <CausesButton say="what can be wrong" evidence={{ answer: 'too_little' }} />
      ) : null}
      {ask && !isOn ? <WordButton onPress={type}>type both ends</WordButton> : null}
    </>
  );
}

/** What went wrong, where the stem is on its way, and what was found in the end. */
function StrokeSoFar({
  found: { trouble, seen, isOn, stroke, verdict },
}: {
  readonly found: Found;
}) {
  const { ask } = useDesk();
  const isFollowed = ask !== undefined || seen !== undefined;
  return (
    <>
      {trouble ? (
        <Card tone="stop" role="alert">
          <Words color="$onVermilionSoft">{trouble}</Words>
        </Card>
      ) : null}
      {isFollowed && (isOn || !stroke) ? (
        <StrokeBar share={seen?.position} counts={seen?.counts} />
      ) : null}
      {stroke && verdict ? <StrokeCard stroke={stroke} verdict={verdict} /> : null}
    </>
  );
}

function StrokeActions({ found: { isWhole, isOn, stroke, go, done } }: { readonly found: Found }) {
  const { ask } = useDesk();
  if (isWhole) return <NextButton onPress={done}>Both ends found: next</NextButton>;
  const again = stroke ? 'Stroke it again' : 'Hands away: stroke it';
  const idle = ask ? again : 'Type both ends';
  return (
    <BigButton
      flex={1}
      kind="brass"
      disabled={isOn}
      onPress={() => void go()}
      keyHint="N"
      testID="start-task"
    >
      {isOn ? 'It strokes: hands away' : idle}
    </BigButton>
  );
}

/** What was found against what the plate says. */
function StrokeCard({
  stroke: { closed, open, seconds },
  verdict,
}: {
  readonly stroke: Stroke;
  readonly verdict: StrokeVerdict;
}) {
  const { stroke_counts: plated, stroke_s: platedSeconds } = pilotOf(useDesk().run);
  const isWhole = verdict === 'whole';
  return (
    <Card {...(isWhole ? {} : { tone: 'stop' as const })}>
      <XStack>
        <Pill tone={isWhole ? 'good' : 'stop'}>{verdict}</Pill>
      </XStack>
      <Row label="Shut">{`${closed} counts`}</Row>
      <Row label="Open">{`${open} counts`}</Row>
      <Row label="Between">{`${open - closed}, plate ${plated}`}</Row>
      <Row label="Shut to open" isLast>{`${seconds.toFixed(1)} s, plate ${platedSeconds} s`}</Row>
      <Words color={isWhole ? '$muted' : '$onVermilionSoft'}>{verdictWords[verdict]}</Words>
    </Card>
  );
}

/** Where the valve stands between shut and open. */
function StrokeBar({
  share,
  counts,
}: {
  readonly share: number | undefined;
  readonly counts: number | undefined;
}) {
  const at = Math.min(1, Math.max(0, share ?? 0));
  return (
    <YStack
      gap="$1"
      role="img"
      aria-label={share === undefined ? 'position not read yet' : `${Math.round(at * 100)} % open`}
    >
      <View
        height={28}
        borderRadius="$pill"
        backgroundColor="$quiet"
        overflow="hidden"
        justifyContent="center"
      >
        <View height={28} width={`${at * 100}%`} backgroundColor="$brassMark" />
      </View>
      <XStack justifyContent="space-between">
        <Muted>shut</Muted>
        <Muted fontFamily="$figures">{counts === undefined ? '–' : `${counts} counts`}</Muted>
        <Muted>open</Muted>
      </XStack>
    </YStack>
  );
}

const endTexts = z.object({
  closed: numberText('A plain number, please.'),
  open: numberText('A plain number, please.'),
  seconds: numberText('Above nothing.', (value) => value > 0),
});
type EndTexts = z.infer<typeof endTexts>;
type Ends = Readonly<Record<keyof EndTexts, number>>;

function TypedStroke({ onTake }: { readonly onTake: (ends: Ends) => Promise<unknown> }) {
  const { control, handleSubmit, formState } = useForm<EndTexts>({
    resolver: zodResolver(endTexts),
    defaultValues: { closed: '', open: '', seconds: '' },
    mode: 'onChange',
  });
  const take = useOnce(
    handleSubmit(({ closed, open, seconds }) =>
      onTake({
        closed: plainNumber(closed),
        open: plainNumber(open),
        seconds: plainNumber(seconds),
      }),
    ),
  );
  const whole = { control, numeric: true, maxLength: 8 };
  return (
    <YStack gap="$3">
      <FormField {...whole} name="closed" label="Shut" unit="counts" />
      <FormField {...whole} name="open" label="Open" unit="counts" />
      <FormField {...whole} name="seconds" label="Shut to open" unit="s" />
      <BigButton disabled={!formState.isValid} onPress={() => void take()} testID="take-stroke">
        Keep them
      </BigButton>
    </YStack>
  );
}
