import { zodResolver } from '@hookform/resolvers/zod';
import { deadBand, deadBandKey, fractionOf, signalAt } from '@holvek/core';
import { useEffect, useRef, useState } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { XStack, YStack } from '@/ui/kit';
import { useDesk, type Desk } from '@/desk/use-desk';
import type { usePoint } from './use-point';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Row } from '@/ui/card';
import { Field } from '@/ui/field';
import { FormField } from '@/ui/form-field';
import { BigButton, WordButton } from '@/ui/press';
import { useOnce } from '@/ui/use-once';
import { Heading, Muted, Words } from '@/ui/words';
import { spanWords } from '@/words/aim-words';

type Point = ReturnType<typeof usePoint>;
const STEPS = [0, 0.25, 0.5, 0.75, 1] as const;
const NUDGE = 0.001;
const RAMP_S = 30;
const TICK_MS = 500;

/** The signal source in the hand: held, stepped, ramped, and turned back in small steps for the dead band. */
export function SourceButton({
  stepId,
  point,
  at,
}: {
  readonly stepId: string;
  readonly point: Point;
  readonly at: number | undefined;
}) {
  const [isOpen, setOpen] = useState(false);
  const close = () => {
    setOpen(false);
    // Back to the point that is offered, or to where it rests.
    if (point.isLinked && at !== undefined) point.set(at);
  };
  return (
    <>
      <WordButton onPress={() => setOpen(true)}>source</WordButton>
      <BottomSheet isOpen={isOpen} title="Signal source" onClose={close}>
        {point.isLinked ? (
          <LinkedSource stepId={stepId} point={point} />
        ) : (
          <HandSource stepId={stepId} point={point} />
        )}
      </BottomSheet>
    </>
  );
}

/** Keeps what a turning back has shown. */
function keepDeadBand(
  add: Desk['add'],
  stepId: string,
  reversal: Parameters<typeof deadBand>[0][number],
) {
  const value = deadBand([reversal]);
  return value === undefined
    ? Promise.resolve(undefined)
    : add({ type: 'observed', key: deadBandKey(stepId), value });
}

function LinkedSource({ stepId, point }: { readonly stepId: string; readonly point: Point }) {
  const [text, setText] = useState('');
  const ramp = useRamp(point);
  const now = point.signal ?? 0;
  const typed = point.read(text, point.plate.input.kind);
  const share = typed && 'value' in typed ? fractionOf(point.plate.input, typed.value) : undefined;
  const hold = (to: number) => {
    ramp.stop();
    point.set(to);
  };
  return (
    <YStack gap="$3">
      <Row label="Signal">{point.signalSay(now)}</Row>
      <Row label="Output" isLast>
        {point.live === undefined ? '–' : point.outputSay(point.live)}
      </Row>
      <XStack gap="$2">
        {STEPS.map((step) => (
          <BigButton
            key={step}
            flex={1}
            kind="outline"
            label={`Step to ${step * 100} %`}
            onPress={() => hold(step)}
          >{`${step * 100}`}</BigButton>
        ))}
      </XStack>
      <XStack gap="$2" alignItems="flex-end">
        <YStack flex={1}>
          <Field
            label="Hold at"
            unit={point.signalSay(0).split(' ')[1] ?? ''}
            value={text}
            onChangeText={setText}
            numeric
            error={typed && 'error' in typed ? typed.error : undefined}
            maxLength={20}
          />
        </YStack>
        <BigButton
          disabled={!share?.ok}
          onPress={() => share?.ok && hold(Math.min(1, Math.max(0, share.value)))}
        >
          Hold
        </BigButton>
      </XStack>
      <BigButton
        kind="outline"
        onPress={() => (ramp.isOn ? ramp.stop() : ramp.start(now < 0.5 ? 1 : 0, RAMP_S))}
      >
        {ramp.isOn ? 'Stop the ramp' : `Ramp to ${now < 0.5 ? '100' : '0'} % in ${RAMP_S} s`}
      </BigButton>
      <TurnBack stepId={stepId} point={point} now={now} />
    </YStack>
  );
}

/** The dead band: turned back a little at a time, until the output moves. */
function TurnBack({
  stepId,
  point,
  now,
}: {
  readonly stepId: string;
  readonly point: Point;
  readonly now: number;
}) {
  const { run, add } = useDesk();
  const [turnedAt, setTurnedAt] = useState<number>();
  const dead = run.measured[deadBandKey(stepId)];
  const moved = () => {
    if (turnedAt === undefined) return;
    void keepDeadBand(add, stepId, { turnedAt, movedAt: now });
    setTurnedAt(undefined);
  };
  return (
    <>
      <Heading>Dead band</Heading>
      <Muted>
        {turnedAt === undefined
          ? 'Come to the middle from below and let it rest. Then turn back, a little at a time, until the output moves.'
          : `Turned back at ${point.signalSay(turnedAt)}. Go on until the output moves.`}
      </Muted>
      {turnedAt === undefined ? (
        <BigButton kind="outline" disabled={now < 2 * NUDGE} onPress={() => setTurnedAt(now)}>
          Turn back here
        </BigButton>
      ) : (
        <XStack gap="$2">
          <BigButton
            flex={1}
            kind="outline"
            label="Signal down 0.1 %"
            onPress={() => point.set(now - NUDGE)}
          >
            −0.1 %
          </BigButton>
          <BigButton flex={1} onPress={moved}>
            It moved
          </BigButton>
        </XStack>
      )}
      {dead === undefined ? null : (
        <Words>{`Dead band ${spanWords(dead, 2)} of the signal.`}</Words>
      )}
    </>
  );
}

/** A signal that goes evenly to an end; it stops with its sheet. */
function useRamp({ set, signal = 0 }: Point) {
  const [isOn, setOn] = useState(false);
  const timer = useRef<ReturnType<typeof setInterval>>(undefined);
  const stop = () => {
    clearInterval(timer.current);
    setOn(false);
  };
  useEffect(() => () => clearInterval(timer.current), []);
  const start = (to: number, seconds: number) => {
    let at = signal;
    const by = Math.sign(to - at) * (TICK_MS / 1000 / seconds);
    setOn(true);
    timer.current = setInterval(() => {
      at = by > 0 ? Math.min(to, at + by) : Math.max(to, at + by);
      set(at);
      if (at === to) stop();
    }, TICK_MS);
  };
  return { isOn, start, stop };
}

/** By hand: what the source should give at each point, and a dead band typed as it was seen. */
function HandSource({ stepId, point }: { readonly stepId: string; readonly point: Point }) {
  const { run, add } = useDesk();
  const shareOf = (text: string) => {
    const read = point.read(text, point.plate.input.kind);
    const share = read && 'value' in read ? fractionOf(point.plate.input, read.value) : undefined;
    return share?.ok ? share.value : undefined;
  };
  const signal = z
    .string()
    .refine((text) => shareOf(text) !== undefined, 'A signal, such as 12.04.');
  const { control, handleSubmit, formState } = useForm({
    resolver: zodResolver(z.object({ turned: signal, moved: signal })),
    mode: 'onChange',
    defaultValues: { turned: '', moved: '' },
  });
  const dead = run.measured[deadBandKey(stepId)];
  const unit = point.signalSay(0).split(' ')[1];
  const keep = useOnce(
    handleSubmit(({ turned, moved }) =>
      keepDeadBand(add, stepId, { turnedAt: shareOf(turned)!, movedAt: shareOf(moved)! }),
    ),
  );
  return (
    <YStack gap="$3">
      {STEPS.map((step, i) => (
        <Row key={step} label={`${step * 100} %`} isLast={i === STEPS.length - 1}>
          {`${point.signalSay(step)} gives ` +
            `${point.outputSay(signalAt(point.plate.output, point.plate.action === 'direct' ? step : 1 - step))}`}
        </Row>
      ))}
      <Heading>Dead band</Heading>
      <Muted>
        Come to the middle from below, then turn back in small steps until the output moves.
      </Muted>
      <FormField
        control={control}
        name="turned"
        label="Turned back at"
        unit={unit}
        numeric
        maxLength={20}
      />
      <FormField
        control={control}
        name="moved"
        label="Output moved at"
        unit={unit}
        numeric
        maxLength={20}
      />
      <BigButton disabled={!formState.isValid} onPress={() => void keep()}>
        Keep it
      </BigButton>
      {dead === undefined ? null : (
        <Words>{`Dead band ${spanWords(dead, 2)} of the signal.`}</Words>
      )}
    </YStack>
  );
}
