import { zodResolver } from '@hookform/resolvers/zod';
import { checkPlace, liesIn, placeTree, shortPlacePath, type Site } from '@holvek/core';
import { useState } from 'react';
import { Controller, useForm, useWatch, type Control } from 'react-hook-form';
import { ContactRows } from './contact-rows';
import { placeFormSchema, placeOf, placeTexts, type PlaceTexts } from './place-form';
import { placeTrouble } from './place-words';
import { Refusal } from '@/data/api';
import { newId } from '@/data/new-id';
import { useChangeSite, useSites, useValves } from '@/data/queries';
import { BottomSheet } from '@/ui/bottom-sheet';
import { FormChoice } from '@/ui/form-choice';
import { FormField } from '@/ui/form-field';
import { XStack, YStack } from '@/ui/kit';
import { today } from '@/ui/local-day';
import { BigButton } from '@/ui/press';
import { TickRow } from '@/ui/tick-row';
import { Muted, Words } from '@/ui/words';
import { refusalWords } from '@/words/trouble';

type Props = {
  readonly place: Site | 'new';
  readonly isOpen: boolean;
  readonly onClose: () => void;
};

const phoneZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** Where valves stand: what it is called, what it lies in, and what is so there. */
export function PlaceSheet({ place, isOpen, onClose }: Props) {
  const places = useSites().data ?? [];
  const valves = useValves().data ?? [];
  const change = useChangeSite();
  const [trouble, setTrouble] = useState<string>();
  const known = place === 'new' ? undefined : place;
  const { control, handleSubmit } = useForm<PlaceTexts>({
    resolver: zodResolver(placeFormSchema),
    values: placeTexts(known, places.length === 0 ? phoneZone() : ''),
  });
  const keep = handleSubmit((texts) => {
    const kept = placeOf(texts, known, { id: newId(), day: today() });
    const issue = checkPlace(kept, places, valves);
    if (issue) return setTrouble(placeTrouble(issue));
    setTrouble(undefined);
    change.mutate(kept, {
      onSuccess: onClose,
      onError: (error) =>
        setTrouble(
          error instanceof Refusal
            ? refusalWords(error.code)
            : 'It could not be kept. What you wrote is still here.',
        ),
    });
  });
  return (
    <BottomSheet isOpen={isOpen} title={known ? known.name : 'The place'} onClose={onClose}>
      <PlaceFields control={control} known={known} places={places} />
      {trouble ? (
        <Words color="$vermilion" role="alert">
          {trouble}
        </Words>
      ) : null}
      <BigButton onPress={() => void keep()}>Keep this place</BigButton>
    </BottomSheet>
  );
}

type FieldsProps = {
  readonly control: Control<PlaceTexts>;
  readonly known: Site | undefined;
  readonly places: readonly Site[];
};

function PlaceFields({ control, known, places }: FieldsProps) {
  const under = useWatch({ control, name: 'under' });
  const above = placeTree(places).filter(
    ({ place }) => !place.closed && !(known && liesIn(places, place.id, known.id)),
  );
  const isPart = under !== '';
  const asAbove = 'Left open, it is as the place above says.';
  return (
    <>
      <FormField control={control} name="name" label="Name" maxLength={120} />
      {above.length > 0 ? (
        <FormChoice
          control={control}
          name="under"
          label="It lies in"
          options={[
            { value: '', say: 'nothing: a site' },
            ...above.map(({ place }) => ({
              value: place.id,
              say: shortPlacePath(places, place.id),
            })),
          ]}
        />
      ) : null}
      <FormField
        control={control}
        name="altitude"
        label="Altitude"
        unit="m"
        numeric
        hint={isPart ? asAbove : 'From a map; it gives the barometer.'}
      />
      <FormField
        control={control}
        name="zone"
        label="Time zone, if it is another"
        hint="By whose clock a day begins and ends there, such as Europe/Zurich."
      />
      <XStack gap="$3">
        <YStack flex={1}>
          <FormField control={control} name="price" label="Price of a kWh" numeric />
        </YStack>
        <YStack flex={1}>
          <FormField control={control} name="currency" label="Currency" />
        </YStack>
      </XStack>
      <FormField
        control={control}
        name="permit"
        label="To be known before work there"
        hint="By whose leave, what is isolated and how, what is worn."
      />
      <ContactRows control={control} />
      {known ? <Closing control={control} /> : null}
    </>
  );
}

/** A place that is no longer used: it leaves the lists, its records stay. */
function Closing({ control }: { readonly control: Control<PlaceTexts> }) {
  const isClosed = useWatch({ control, name: 'isClosed' });
  return (
    <YStack gap="$2">
      <Controller
        name="isClosed"
        control={control}
        render={({ field }) => (
          <TickRow
            say="It is no longer used"
            isTicked={field.value}
            onPress={() => field.onChange(!field.value)}
          />
        )}
      />
      {isClosed ? (
        <>
          <Muted>It leaves the lists. What was recorded there stays.</Muted>
          <FormField control={control} name="why" label="Why it is closed" maxLength={400} />
        </>
      ) : null}
    </YStack>
  );
}
