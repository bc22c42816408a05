import { zodResolver } from '@hookform/resolvers/zod';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { useForm, useWatch, type Control } from 'react-hook-form';
import { View, YStack } from '@/ui/kit';
import {
  answerOf,
  answerText,
  toolSchema,
  unitOfField,
  type BenchTool,
  type BenchValues,
} from './tool';
import { useBarometer } from '@/units/use-barometer';
import { useUnits } from '@/units/use-units';
import { Screen } from '@/shell/screen';
import { Card, Row } from '@/ui/card';
import { FormChoice } from '@/ui/form-choice';
import { FormField } from '@/ui/form-field';
import { copyText } from '@/ui/files';
import { BigButton } from '@/ui/press';
import { Muted, Words } from '@/ui/words';

type Props = { readonly tool: BenchTool; readonly start: BenchValues; readonly of?: string };

/** A sum: its fields, and its answer as they are typed. The address keeps the figures. */
export function ToolPage({ tool, start, of }: Props) {
  const router = useRouter();
  const units = useUnits();
  const here = { ...units, barometer: useBarometer() };
  const { control } = useForm<BenchValues>({
    defaultValues: start,
    resolver: zodResolver(toolSchema(tool, here)),
    mode: 'onChange',
  });
  const typed = useWatch({ control });
  const values = textsOf(typed);
  const answer = answerOf(tool, values, here);
  const said = answerText(tool, answer);
  const [copied, setCopied] = useState<string>();
  const address = JSON.stringify(values);
  useEffect(() => {
    // Typing goes on at its own pace; the address follows.
    const timer = setTimeout(() => router.setParams(JSON.parse(address) as BenchValues), 400);
    return () => clearTimeout(timer);
  }, [router, address]);
  const copy = () => void copyText(said).then((isDone) => setCopied(isDone ? said : undefined));
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
          {copied === said ? 'Copied' : 'Copy the answer'}
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
            <ToolField key={field.key} field={field} control={control} />
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

const textsOf = (typed: Readonly<Record<string, string | undefined>>): BenchValues =>
  Object.fromEntries(Object.entries(typed).map(([key, text]) => [key, text ?? '']));

function ToolField({
  field: { key, label, hint, ...field },
  control,
}: {
  readonly field: BenchTool['fields'][number];
  readonly control: Control<BenchValues>;
}) {
  const unit = unitOfField({ key, label, ...field }, useUnits());
  if (field.kind === 'choice')
    return <FormChoice control={control} name={key} label={label} options={field.choices ?? []} />;
  return (
    <FormField
      control={control}
      name={key}
      label={label}
      maxLength={200}
      {...(unit ? { unit } : {})}
      {...(hint ? { hint } : {})}
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
