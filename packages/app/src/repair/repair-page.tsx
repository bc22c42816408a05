import { zodResolver } from '@hookform/resolvers/zod';
import { repairParts, type Repair, type RepairPart, type Valve } from '@holvek/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { Refusal } from '@/data/api';
import { useChangeRepair } from '@/data/queries';
import { newId } from '@/data/new-id';
import { preferences } from '@/prefs/preferences';
import { Screen } from '@/shell/screen';
import { Card } from '@/ui/card';
import { FormField } from '@/ui/form-field';
import { YStack } from '@/ui/kit';
import { BigButton } from '@/ui/press';
import { TickRow } from '@/ui/tick-row';
import { Heading, Muted, Strong, Words } from '@/ui/words';
import { refusalWords } from '@/words/trouble';
import { emptyRepair, repairFormSchema, toRepair, type RepairTexts } from './repair-form';

const keptNow = (texts: RepairTexts, id: string, valveId: string): Repair =>
  toRepair(texts, { id, valveId, now: Date.now() });

/** A valve that was stripped: what was found, what is new in it, and when that is due again. */
export function RepairPage({ valve }: { readonly valve: Valve }) {
  const router = useRouter();
  const change = useChangeRepair();
  const [opened] = useState(() => ({ id: newId(), now: Date.now() }));
  const { control, handleSubmit } = useForm<RepairTexts>({
    resolver: zodResolver(repairFormSchema(opened.now)),
    defaultValues: emptyRepair(opened.now, preferences().technician),
  });
  const keep = handleSubmit((texts) =>
    change.mutate(keptNow(texts, opened.id, valve.id), {
      onSuccess: () => router.replace(`/valves/${valve.id}`),
    }),
  );
  return (
    <Screen
      title={`${valve.tag}: repair`}
      under={valve.name}
      back
      footer={
        <BigButton flex={1} disabled={change.isPending} onPress={() => void keep()}>
          Keep the repair
        </BigButton>
      }
    >
      <Card tone="warn">
        <Strong color="$onBrassSoft">Dead and proven so before it is opened</Strong>
        <Words color="$onBrassSoft">
          Isolated, relieved and locked on both sides. The maker’s own drawing and torques come
          before anything here.
        </Words>
      </Card>
      <YStack gap="$4">
        <FormField control={control} name="found" label="What was found" />
        <Controller
          name="parts"
          control={control}
          render={({ field }) => <Parts chosen={field.value} onChange={field.onChange} />}
        />
        <FormField control={control} name="note" label="Anything else, if there is" />
        <FormField control={control} name="done_on" label="Done on" />
        <FormField control={control} name="parts_due_on" label="Parts due again on, if known" />
        <FormField control={control} name="by" label="Who has done it" />
      </YStack>
      {change.error ? (
        <Words color="$vermilion" role="alert">
          {change.error instanceof Refusal
            ? refusalWords(change.error.code)
            : 'The server cannot be reached, and this browser keeps nothing. Nothing was changed.'}
        </Words>
      ) : null}
      <Muted>
        What was set before a repair no longer counts: the valve is set and proved anew.
      </Muted>
    </Screen>
  );
}

const partList = Object.entries(repairParts) as [RepairPart, string][];

/** Which parts are new, ticked one by one. */
function Parts({
  chosen,
  onChange,
}: {
  readonly chosen: readonly RepairPart[];
  readonly onChange: (parts: RepairPart[]) => void;
}) {
  return (
    <YStack role="group" aria-label="Parts that are new">
      <Heading>Parts that are new</Heading>
      {partList.map(([part, say]) => {
        const isNew = chosen.includes(part);
        const others = chosen.filter((each) => each !== part);
        return (
          <TickRow
            key={part}
            say={say}
            isTicked={isNew}
            onPress={() => onChange(isNew ? others : [...others, part])}
          />
        );
      })}
    </YStack>
  );
}
