import { parsePressure, type AbsolutePressure, type Question, type StepOf } from '@holvek/core';
import { useState } from 'react';
import { YStack } from '@/ui/kit';
import { useDesk } from '@/desk/use-desk';
import { StepFrame } from '../parts/step-frame';
import { FlowStep } from './flow-step';
import { useBarometer } from '@/units/use-barometer';
import type { Units } from '@/units/use-units';
import { Field } from '@/ui/field';
import { BigButton, WordButton } from '@/ui/press';
import { useOnce } from '@/ui/use-once';
import { parseTrouble } from '@/words/trouble';

/** One thing to be said: a figure, a count, or one of a few answers. */
export function AskStep({ step }: { readonly step: StepOf<'ask'> }) {
  const asks = step.asks;
  if (asks.kind === 'flow') return <FlowStep step={step} />;
  return asks.kind === 'choice' ? (
    <ChooseStep step={step} asks={asks} />
  ) : (
    <FigureStep step={step} asks={asks} />
  );
}

type Props = { readonly step: StepOf<'ask'>; readonly asks: Question };

function ChooseStep({ step, asks }: Props) {
  const { add, run } = useDesk();
  const given = run.observed[asks.key];
  const choose = useOnce(async (value: string) => {
    if (await add({ type: 'observed', key: asks.key, value }))
      await add({ type: 'step_done', step_id: step.id });
  });
  return (
    <StepFrame
      onPath
      actions={
        <YStack gap="$2" flex={1}>
          {asks.choices?.map(({ value, say }) => (
            <BigButton
              key={value}
              testID={`choice-${value}`}
              kind={given === value ? 'brass' : 'outline'}
              onPress={() => void choose(value)}
            >
              {say}
            </BigButton>
          ))}
        </YStack>
      }
    />
  );
}

/** What was typed, as it would be kept: a figure or words, or what is wrong with it. */
type Typed =
  | { readonly is: 'nothing' }
  | { readonly is: 'wrong'; readonly say: string }
  | { readonly is: 'given'; readonly value: number | string; readonly say: string };

function typedAs(
  { kind }: Question,
  text: string,
  { units, barometer }: { readonly units: Units; readonly barometer: AbsolutePressure },
): Typed {
  const plain = text.trim();
  if (plain === '') return { is: 'nothing' };
  if (kind === 'words') return { is: 'given', value: plain, say: plain };
  if (kind === 'pressure') {
    const parsed = parsePressure(text, units.pressure, barometer);
    if (!parsed.ok) return { is: 'wrong', say: parseTrouble(parsed.error, units) };
    const { si } = parsed.value;
    return { is: 'given', value: si, say: units.withUnit(si) };
  }
  const count = Number(plain.replace(',', '.'));
  return Number.isFinite(count) && count >= 0
    ? { is: 'given', value: count, say: plain }
    : { is: 'wrong', say: 'A plain number, please.' };
}

function FigureStep({ step, asks }: Props) {
  const { add, units } = useDesk();
  const [text, setText] = useState('');
  const barometer = useBarometer();
  const typed = typedAs(asks, text, { units, barometer });
  const finish = () => add({ type: 'step_done', step_id: step.id });
  const give = useOnce(async () => {
    if (typed.is !== 'given') return;
    if (await add({ type: 'observed', key: asks.key, value: typed.value })) await finish();
  });
  return (
    <StepFrame
      onPath
      actions={
        <BigButton
          flex={1}
          onPress={() => void give()}
          disabled={typed.is !== 'given'}
          testID="give-answer"
        >
          {typed.is === 'given' ? `It is ${typed.say}` : 'Type it'}
        </BigButton>
      }
      more={
        asks.optional ? (
          <WordButton onPress={() => void finish()}>not known: go on</WordButton>
        ) : null
      }
    >
      <Field
        label={asks.label}
        value={text}
        onChangeText={setText}
        error={typed.is === 'wrong' ? typed.say : undefined}
        maxLength={asks.kind === 'words' ? 80 : 40}
        {...(asks.kind === 'pressure' ? { unit: units.pressure } : {})}
        {...(asks.kind === 'words' ? {} : { numeric: true })}
        {...(asks.hint ? { hint: asks.hint } : {})}
      />
    </StepFrame>
  );
}
