import { fitStep, readStepCsv, type StepFit } from '@holvek/core';
import { useState } from 'react';
import { XStack, YStack } from '@/ui/kit';
import { ProposalCard } from './proposal-card';
import { Screen } from '@/shell/screen';
import { Card } from '@/ui/card';
import { Field } from '@/ui/field';
import { pickText } from '@/ui/files';
import { BigButton } from '@/ui/press';
import { Muted, Words } from '@/ui/words';
import { stepTrouble } from '@/words/step-trouble';

type Read = { readonly fit: StepFit; readonly count: number; readonly leftOut: readonly number[] };

/** A step test dropped in: the model it fits, the settings that follow, and both loops side by side. */
export function TuningPage() {
  const [read, setRead] = useState<Read>();
  const [trouble, setTrouble] = useState<string>();
  const [band, setBand] = useState('100');
  const [reset, setReset] = useState('0.1');
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
  const present = {
    band: Number(band.replace(',', '.')),
    reset: reset.trim() === '' ? undefined : Number(reset.replace(',', '.')),
  };
  const isGood = present.band > 0 && (present.reset === undefined || present.reset > 0);
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
          <Field
            label="Band now"
            unit="%"
            value={band}
            onChangeText={setBand}
            numeric
            error={present.band > 0 ? undefined : 'Above nothing, please.'}
          />
        </YStack>
        <YStack flex={1}>
          <Field
            label="Reset now"
            unit="min a repeat"
            value={reset}
            onChangeText={setReset}
            numeric
            error={
              present.reset === undefined || present.reset > 0
                ? undefined
                : 'Above nothing; empty when shut off.'
            }
          />
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
          <ProposalCard fit={read.fit} {...(isGood ? { present } : {})} />
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
