import { parseQuantity, type Question, type Step } from '@holvek/core';
import { useState } from 'react';
import { YStack } from 'tamagui';
import { useDesk } from '../use-desk';
import { StepFrame } from '../step-frame';
import { FlowStep } from './flow-step';
import { Field } from '@/ui/field';
import { BigButton, WordButton } from '@/ui/press';
import { parseTrouble } from '@/words/trouble';

/** One thing to be said: a figure, a count, or one of a few answers. */
export function AskStep({ step }: { readonly step: Step }) {
  const asks = step.asks;
  if (!asks) throw new Error(`step ${step.id} asks nothing`);
  if (asks.kind === 'flow') return <FlowStep step={step} />;
  return asks.kind === 'choice' ? (
    <ChooseStep step={step} asks={asks} />
  ) : (
    <FigureStep step={step} asks={asks} />
  );
}

type Props = { readonly step: Step; readonly asks: Question };

function ChooseStep({ step, asks }: Props) {
  const { add, run } = useDesk();
  const given = run.observed[asks.key];
  const choose = async (value: string) => {
    if (await add({ type: 'observed', key: asks.key, value }))
      await add({ type: 'step_done', step_id: step.id });
  };
  return (
    <StepFrame
      actions={
        <YStack gap="$2" flex={1}>
          {asks.choices?.map(({ value, say }) => (
            <BigButton
              key={value}
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

function FigureStep({ step, asks }: Props) {
  const { add, units } = useDesk();
  const [text, setText] = useState('');
  const isPressure = asks.kind === 'pressure';
  const isWords = asks.kind === 'words';
  const parsed = isPressure ? parseQuantity(text, 'pressure', units.pressure) : undefined;
  const count = Number(text.trim().replace(',', '.'));
  const value = isWords
    ? text.trim()
    : parsed
      ? parsed.ok
        ? parsed.value.si
        : undefined
      : Number.isFinite(count) && count >= 0 && text.trim() !== ''
        ? count
        : undefined;
  const isEmpty = text.trim() === '';
  const error = isEmpty
    ? undefined
    : parsed && !parsed.ok
      ? parseTrouble(parsed.error, units)
      : value === undefined
        ? 'A plain number, please.'
        : undefined;
  const finish = () => add({ type: 'step_done', step_id: step.id });
  const give = async () => {
    if (value !== undefined && (await add({ type: 'observed', key: asks.key, value }))) await finish();
  };
  return (
    <StepFrame
      actions={
        <BigButton
          flex={1}
          onPress={() => void give()}
          disabled={isEmpty || error !== undefined}
          testID="give-answer"
        >
          {isEmpty
            ? 'Type it'
            : `It is ${isPressure && typeof value === 'number' ? units.withUnit(value) : text.trim()}`}
        </BigButton>
      }
      more={asks.optional ? <WordButton onPress={() => void finish()}>not known: go on</WordButton> : null}
    >
      <Field
        label={asks.label}
        value={text}
        onChangeText={setText}
        error={error}
        maxLength={40}
        {...(isPressure ? { unit: units.pressure } : {})}
        {...(isWords ? {} : { numeric: true })}
        {...(asks.hint ? { hint: asks.hint } : {})}
      />
    </StepFrame>
  );
}
