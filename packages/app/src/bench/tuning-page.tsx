import { fitStep, readStepCsv, type StepFit } from '@holvek/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { z } from 'zod';
import { XStack, YStack } from '@/ui/kit';
import { ProposalCard } from './proposal-card';
import { Screen } from '@/shell/screen';
import { Card } from '@/ui/card';
import { FormField } from '@/ui/form-field';
import { plainNumber } from '@/ui/plain-number';
import { pickText } from '@/ui/files';
import { BigButton } from '@/ui/press';
import { Muted, Words } from '@/ui/words';
import { stepTrouble } from '@/words/step-trouble';

type Read = { readonly fit: StepFit; readonly count: number; readonly leftOut: readonly number[] };

const isAboveNothing = (text: string): boolean => plainNumber(text) > 0;
const dialsSchema = z.object({
  band: z.string().trim().refine(isAboveNothing, 'Above nothing, please.'),
  reset: z
    .string()
    .trim()
    .refine((text) => text === '' || isAboveNothing(text), 'Above nothing; empty when shut off.'),
});
type Dials = z.infer<typeof dialsSchema>;
const presentOf = ({ band, reset }: Dials) => ({
  band: plainNumber(band),
  reset: reset === '' ? undefined : plainNumber(reset),
});

/** A step test dropped in: the model it fits, the settings that follow, and both loops side by side. */
export function TuningPage() {
  const [read, setRead] = useState<Read>();
  const [trouble, setTrouble] = useState<string>();
  const { control } = useForm<Dials>({
    defaultValues: { band: '100', reset: '0.1' },
    resolver: zodResolver(dialsSchema),
    mode: 'onChange',
  });
  const dialled = dialsSchema.safeParse(useWatch({ control }));
  const take = (text: string | undefined) => {
    if (text === undefined) return;
    setRead(undefined);
    const table = readStepCsv(text);
    if (!table.ok) return setTrouble(stepTrouble(table.error));
    const fit = fitStep(table.value.samples);
    if (!fit.ok) return setTrouble(stepTrouble(fit.error));
    setTrouble(undefined);
    setRead({ fit: fit.value, count: table.value.samples.length, leftOut: table.value.leftOut });
  };
  return (
    <Screen
      title="Tuning"
      under="A step test dropped in: time in s, output and process value in %"
      back
      footer={
        <BigButton
          flex={1}
          onPress={() => void pickText('.csv,.txt,text/csv,text/plain').then(take)}
          testID="pick-step"
        >
          Choose a step test
        </BigButton>
      }
    >
      <XStack gap="$3">
        <YStack flex={1}>
          <FormField control={control} name="band" label="Band now" unit="%" numeric />
        </YStack>
        <YStack flex={1}>
          <FormField control={control} name="reset" label="Reset now" unit="min a repeat" numeric />
        </YStack>
      </XStack>
      {trouble ? (
        <Card tone="stop" role="alert">
          <Words color="$onVermilionSoft">{trouble}</Words>
        </Card>
      ) : null}
      {read ? (
        <>
          <Muted>{samplesSay(read.count, read.leftOut)}</Muted>
          <ProposalCard
            fit={read.fit}
            {...(dialled.success ? { present: presentOf(dialled.data) } : {})}
          />
        </>
      ) : trouble ? null : (
        <Muted>
          Put the controller in manual, let the value come to rest, step the output by 5 to 10 %,
          and log until it rests again. Then put it back.
        </Muted>
      )}
    </Screen>
  );
}

function samplesSay(count: number, leftOut: readonly number[]): string {
  if (leftOut.length === 0) return `${count} samples`;
  const more = leftOut.length > 5 ? ' …' : '';
  return `${count} samples; lines ${leftOut.slice(0, 5).join(', ')}${more} left out`;
}
