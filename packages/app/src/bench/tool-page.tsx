import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View, YStack } from '@/ui/kit';
import { answerOf, answerText, unitOfField, type BenchTool, type BenchValues } from './tool';
import { useBarometer } from '@/units/use-barometer';
import { useUnits } from '@/units/use-units';
import { Screen } from '@/shell/screen';
import { Card, Row } from '@/ui/card';
import { Choice, Field } from '@/ui/field';
import { copyText } from '@/ui/files';
import { BigButton } from '@/ui/press';
import { Muted, Words } from '@/ui/words';

type Props = { readonly tool: BenchTool; readonly start: BenchValues; readonly of?: string };

/** A sum: its fields, and its answer as they are typed. The address keeps the figures. */
export function ToolPage({ tool, start, of }: Props) {
  const router = useRouter();
  const units = useUnits();
  const [values, setValues] = useState<BenchValues>(start);
  const [copied, setCopied] = useState(false);
  const barometer = useBarometer();
  const answer = answerOf(tool, values, { ...units, barometer });
  const edit = (key: string) => (text: string) => {
    setCopied(false);
    setValues((now) => ({ ...now, [key]: text }));
  };
  useEffect(() => {
    // Typing goes on at its own pace; the address follows.
    const timer = setTimeout(() => router.setParams({ ...values }), 400);
    return () => clearTimeout(timer);
  }, [router, values]);
  const copy = () => void copyText(answerText(tool, answer)).then(setCopied);
  return (
    <Screen
      title={tool.name}
      under={of ? `${tool.about} From the plate of ${of}.` : tool.about}
      back
      wide
      footer={
        <BigButton
          flex={1}
          kind="outline"
          onPress={copy}
          disabled={'trouble' in answer}
          testID="copy"
        >
          {copied ? 'Copied' : 'Copy the answer'}
        </BigButton>
      }
    >
      <View
        flexDirection="column-reverse"
        gap="$4"
        alignItems="stretch"
        $wide={{ flexDirection: 'row', alignItems: 'flex-start' }}
      >
        <YStack gap="$3" width="100%" $wide={{ width: '46%' }}>
          {tool.fields.map((field) => (
            <ToolField
              key={field.key}
              field={field}
              value={values[field.key] ?? ''}
              onChange={edit(field.key)}
            />
          ))}
        </YStack>
        <YStack
          gap="$3"
          width="100%"
          $wide={{ width: '48%' }}
          role="status"
          aria-live="polite"
          testID="answer"
        >
          <Answer answer={answer} />
        </YStack>
      </View>
    </Screen>
  );
}

function ToolField({
  field,
  value,
  onChange,
}: {
  readonly field: BenchTool['fields'][number];
  readonly value: string;
  readonly onChange: (text: string) => void;
}) {
  const unit = unitOfField(field, useUnits());
  if (field.kind === 'choice')
    return (
      <Choice label={field.label} value={value} onChange={onChange} options={field.choices ?? []} />
    );
  return (
    <Field
      label={field.label}
      value={value}
      onChangeText={onChange}
      maxLength={200}
      {...(unit ? { unit } : {})}
      {...(field.hint ? { hint: field.hint } : {})}
    />
  );
}

function Answer({ answer }: { readonly answer: ReturnType<typeof answerOf> }) {
  if ('trouble' in answer)
    return (
      <Card tone="stop">
        <Words color="$onVermilionSoft">{answer.trouble}</Words>
      </Card>
    );
  return (
    <>
      {answer.warn ? (
        <Card tone="warn">
          <Words color="$onBrassSoft">{answer.warn}</Words>
        </Card>
      ) : null}
      <Card>
        {answer.rows.map(([label, say], i) => (
          <Row key={label} label={label} isLast={i === answer.rows.length - 1}>
            {say}
          </Row>
        ))}
      </Card>
      {answer.note ? <Muted>{answer.note}</Muted> : null}
    </>
  );
}
