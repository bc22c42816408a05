import { parseQuantity, type StepOf } from '@holvek/core';
import { useState } from 'react';
import { useDesk } from '@/desk/use-desk';
import { StepFrame } from '../parts/step-frame';
import { useTrace } from '@/gauge-link/trace';
import { Card, Row } from '@/ui/card';
import { Field } from '@/ui/field';
import { BigButton, WordButton } from '@/ui/press';
import { useOnce } from '@/ui/use-once';
import { Figure } from '@/ui/words';
import { parseTrouble } from '@/words/trouble';

/** How much is flowing: measured, or judged by eye where there is no meter. */
export function FlowStep({ step }: { readonly step: StepOf<'ask'> }) {
  const { add, units, trace, isLinked, run } = useDesk();
  const { sight } = useTrace(trace);
  const [text, setText] = useState('');
  const parsed = parseQuantity(text, 'flow', units.flow);
  const error = text !== '' && !parsed.ok ? parseTrouble(parsed.error, units) : undefined;
  const finish = () => add({ type: 'step_done', step_id: step.id });
  const keep = useOnce(async (said: { readonly key: string; readonly value: number | string }) => {
    if (await add({ type: 'observed', ...said })) await finish();
  });
  const give = (flow: number) => keep({ key: 'flow', value: Math.max(0, flow) });
  const judge = () => keep({ key: 'flow_judged', value: 'strong' });
  const typed = parsed.ok ? parsed.value.si : undefined;
  const seen = isLinked ? sight?.flow : undefined;
  const value = typed ?? seen;
  return (
    <StepFrame
      onPath
      actions={
        <BigButton
          flex={1}
          disabled={value === undefined || error !== undefined}
          onPress={() => value !== undefined && void give(value)}
        >
          {value === undefined ? 'Type the flow' : `It is ${units.flowWithUnit(value)}`}
        </BigButton>
      }
      more={
        isLinked ? null : (
          <WordButton onPress={() => void judge()}>no meter: it runs strongly</WordButton>
        )
      }
    >
      {seen === undefined ? null : (
        <Card>
          <Row label="Meter on the line" isLast>
            <Figure>{units.flowWithUnit(seen)}</Figure>
          </Row>
        </Card>
      )}
      <Field
        label={isLinked ? 'Or type it' : 'Flow'}
        unit={units.flow}
        value={text}
        onChangeText={setText}
        numeric
        error={error}
        hint={
          run.measured['flow'] === undefined
            ? 'From the meter, or a bucket and a watch.'
            : `Last given: ${units.flowWithUnit(run.measured['flow'])}`
        }
      />
    </StepFrame>
  );
}
