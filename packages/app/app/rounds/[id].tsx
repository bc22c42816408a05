import { zodResolver } from '@hookform/resolvers/zod';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { z } from 'zod';
import { atPlace, firstSite, roundSchema, type Round, type Site, type Valve } from '@holvek/core';
import { XStack, YStack } from '@/ui/kit';
import { Refusal } from '@/data/api';
import { useChangeRound, useRounds, useSites, useValves } from '@/data/queries';
import { usePlaceWords } from '@/data/use-placed-valves';
import { newId } from '@/data/new-id';
import { JobCard } from '@/round/job-card';
import { SortableValves } from '@/round/sortable-valves';
import { changePreferences } from '@/prefs/preferences';
import { aimWords } from '@/words/aim-words';
import { useUnitsOf } from '@/units/use-units';
import { Screen } from '@/shell/screen';
import { Field } from '@/ui/field';
import { FormField } from '@/ui/form-field';
import { BigButton, Press, WordButton } from '@/ui/press';
import { Loading } from '@/ui/states';
import { Heading, Muted, Spoken, Strong, Words } from '@/ui/words';
import { refusalWords } from '@/words/trouble';
import { today } from '@/ui/local-day';

const writtenSchema = roundSchema
  .pick({ valve_ids: true, job: true })
  .extend({ name: z.string().trim().min(1, 'Every round has a name').max(120) });
type Written = z.infer<typeof writtenSchema>;

/** A round built by hand: which valves, in which order. */
export default function RoundEditor() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const rounds = useRounds().data;
  const valves = useValves().data;
  const places = useSites().data ?? [];
  const site = firstSite(places)?.id;
  if (!rounds || !valves || !site) return <Loading what="Fetching the round" />;
  const known = rounds.find((round) => round.id === id);
  const blank: Round = {
    id: newId(),
    name: '',
    site_id: site,
    day: today(),
    valve_ids: [],
    why_this_order: 'Ordered by hand.',
  };
  return <RoundForm initial={known ?? blank} isNew={!known} valves={valves} places={places} />;
}

type Props = {
  readonly initial: Round;
  readonly isNew: boolean;
  readonly valves: readonly Valve[];
  readonly places: readonly Site[];
};

function RoundForm({ initial, isNew, valves, places }: Props) {
  const router = useRouter();
  const change = useChangeRound();
  const { control, setValue, getValues } = useForm<Written>({
    defaultValues: { name: initial.name, valve_ids: initial.valve_ids, job: initial.job },
    resolver: zodResolver(writtenSchema),
    mode: 'onChange',
  });
  const { name = '', valve_ids: ids = [], job } = useWatch({ control });
  const setIds = (next: readonly string[]) => setValue('valve_ids', [...next]);
  const byId = new Map(valves.map((valve) => [valve.id, valve]));
  const chosen = ids.flatMap((id) => byId.get(id) ?? []);
  const wasMoved = ids.join() !== initial.valve_ids.join();
  const save = (over: Partial<Round>) => {
    const { job: _before, ...rest } = initial;
    const round: Round = {
      ...rest,
      name: name.trim(),
      valve_ids: [...ids],
      // It is a round of the site where it begins.
      site_id: atPlace(places, chosen[0]?.place_id).path[0]?.id ?? initial.site_id,
      ...(job ? { job } : {}),
      why_this_order: wasMoved
        ? `Ordered by hand.\n${initial.why_this_order}`.slice(0, 4000)
        : initial.why_this_order,
      ...over,
    };
    change.mutate(round, {
      onSuccess: () => {
        if (!round.archived) changePreferences({ round: round.id });
        router.replace('/');
      },
    });
  };
  return (
    <Screen
      title={isNew ? 'New round' : 'Change round'}
      under={`${chosen.length} valves`}
      back
      footer={
        <BigButton
          flex={1}
          disabled={name.trim() === '' || change.isPending}
          onPress={() => save({})}
          testID="keep-round"
        >
          {name.trim() === '' ? 'Give it a name' : 'Keep this round'}
        </BigButton>
      }
    >
      <FormField control={control} name="name" label="Name" maxLength={120} />
      {change.isError ? (
        <Words color="$vermilion" role="alert">
          {change.error instanceof Refusal
            ? refusalWords(change.error.code)
            : 'The server cannot be reached. The round on this screen is kept until you leave it.'}
        </Words>
      ) : null}
      <JobCard
        job={job}
        onChange={(next) => setValue('job', next)}
        under="Order, permit, client: each run of this round takes it over, and it stands on the sheets."
      />
      <Heading>In this order</Heading>
      {chosen.length === 0 ? (
        <Muted>Add valves from below. Drag them by the grip, or use the arrows.</Muted>
      ) : null}
      <SortableValves valves={chosen} onOrder={setIds} />
      <AddValves
        valves={valves.filter((valve) => !ids.includes(valve.id))}
        onAdd={(valve) => setIds([...getValues('valve_ids'), valve.id])}
      />
      {isNew ? null : (
        <WordButton tone="$vermilion" onPress={() => save({ archived: true })}>
          archive this round
        </WordButton>
      )}
    </Screen>
  );
}

/** Valves that are not in the round yet, found by tag, name or place. */
function AddValves({
  valves,
  onAdd,
}: {
  readonly valves: readonly Valve[];
  readonly onAdd: (valve: Valve) => void;
}) {
  const [find, setFind] = useState('');
  const sought = find.trim().toLowerCase();
  const found = valves.filter(({ tag, name, place }) =>
    `${tag} ${name} ${place}`.toLowerCase().includes(sought),
  );
  return (
    <>
      <Field
        label="Add a valve"
        value={find}
        onChangeText={setFind}
        maxLength={60}
        hint="Tag, name or place."
      />
      <YStack>
        {found.slice(0, 8).map((valve) => (
          <AddLine key={valve.id} valve={valve} onAdd={() => onAdd(valve)} />
        ))}
      </YStack>
    </>
  );
}

function AddLine({ valve, onAdd }: { readonly valve: Valve; readonly onAdd: () => void }) {
  const units = useUnitsOf()(valve);
  const placeWords = usePlaceWords();
  return (
    <Press
      onPress={onAdd}
      minHeight={56}
      justifyContent="center"
      borderBottomWidth={1}
      borderColor="$line"
    >
      <Spoken>Add</Spoken>
      <XStack justifyContent="space-between" alignItems="center" gap="$2">
        <YStack flexShrink={1}>
          <Strong>{`${valve.tag} ${valve.name}`}</Strong>
          <Muted>{[placeWords(valve), aimWords(valve, units)].filter(Boolean).join(' · ')}</Muted>
        </YStack>
        <Strong color="$verdigrisDeep">add</Strong>
      </XStack>
    </Press>
  );
}
