import { labelLayouts, type LabelLayout } from '@holvek/paper/label-layouts';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { z } from 'zod';
import { useHouseRules, useValves } from '@/data/queries';
import { labelOf } from '@/register/label-lines';
import { useUnitsOf } from '@/units/use-units';
import { labelsHere } from '@/sheet/paper/client';
import { Screen } from '@/shell/screen';
import { FormChoice } from '@/ui/form-choice';
import { FormField } from '@/ui/form-field';
import { saveBlob } from '@/ui/files';
import { BigButton } from '@/ui/press';
import { Empty } from '@/ui/states';
import { Muted, Words } from '@/ui/words';
import { useVisits } from '@/data/use-visits';

const sizes = (Object.keys(labelLayouts) as LabelLayout[]).map((value) => ({
  value,
  say: labelLayouts[value].say,
}));

const wantedSchema = z.object({
  find: z.string().max(60),
  size: z.enum(Object.keys(labelLayouts) as [LabelLayout, ...LabelLayout[]]),
});
type Wanted = z.infer<typeof wantedSchema>;

/** Labels with a code that opens a valve's page, for those that the search names. */
export default function LabelsScreen() {
  const valves = useValves();
  const visits = useVisits();
  const rules = useHouseRules();
  const unitsOf = useUnitsOf();
  const { control } = useForm<Wanted>({
    defaultValues: { find: '', size: 'small' },
    resolver: zodResolver(wantedSchema),
    mode: 'onChange',
  });
  const { find = '', size = 'small' } = useWatch({ control });
  const [state, setState] = useState<'ready' | 'making' | 'failed'>('ready');
  const wanted = find.trim().toLowerCase();
  const chosen = (valves.data ?? [])
    .filter(({ retired }) => !retired)
    .filter(({ tag, name, place }) => `${tag} ${name} ${place}`.toLowerCase().includes(wanted))
    .sort((a, b) => a.tag.localeCompare(b.tag, 'en', { numeric: true }));
  const make = async () => {
    setState('making');
    const { origin } = window.location;
    const labels = chosen.map((valve) =>
      labelOf(valve, visits.get(valve.id) ?? [], { rules, units: unitsOf(valve), origin }),
    );
    try {
      const bytes = await labelsHere(labels, size);
      saveBlob('labels.pdf', new Blob([bytes], { type: 'application/pdf' }));
      setState('ready');
    } catch {
      setState('failed');
    }
  };
  return (
    <Screen
      title="Labels"
      under="A code on the valve opens its page"
      back
      footer={
        <BigButton
          flex={1}
          disabled={chosen.length === 0 || state === 'making'}
          onPress={() => void make()}
        >
          {chosen.length === 1 ? 'Make 1 label' : `Make ${chosen.length} labels`}
        </BigButton>
      }
    >
      <FormChoice control={control} name="size" label="Paper" options={sizes} />
      <FormField
        control={control}
        name="find"
        label="For which valves"
        hint="Tag, name or place; nothing for all of them."
        maxLength={60}
      />
      {state === 'failed' ? (
        <Words color="$vermilion" role="alert">
          The labels could not be made on this device. Nothing was changed.
        </Words>
      ) : null}
      {chosen.length === 0 ? (
        <Empty title="No such valve" say="Nothing in the register matches." />
      ) : (
        <Muted>{chosen.map(({ tag }) => tag).join(', ')}</Muted>
      )}
      <Muted>Print them without scaling, on paper that bears wet and oil.</Muted>
    </Screen>
  );
}
