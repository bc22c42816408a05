import { zodResolver } from '@hookform/resolvers/zod';
import { licenceSchema, personSchema, roles, secretSchema, type Person } from '@holvek/core';
import { useMutation } from '@tanstack/react-query';
import { Controller, useForm, type Control } from 'react-hook-form';
import { z } from 'zod';
import { roleWords } from './people-words';
import { LicenceFields } from './licence-fields';
import { Refused } from './refused';
import { api } from '@/data/api';
import { newId } from '@/data/new-id';
import { queryClient } from '@/data/queries';
import { BottomSheet } from '@/ui/bottom-sheet';
import { FormChoice } from '@/ui/form-choice';
import { FormField } from '@/ui/form-field';
import { today } from '@/ui/local-day';
import { BigButton, WordButton } from '@/ui/press';
import { Muted } from '@/ui/words';

const formSchema = personSchema.pick({ name: true, short: true, role: true }).extend({
  secret: z.union([z.literal(''), secretSchema]),
  licences: z.array(licenceSchema),
});
type Texts = z.input<typeof formSchema>;

const textsOf = (person: Person | undefined): Texts => ({
  name: person?.name ?? '',
  short: person?.short ?? '',
  role: person?.role ?? 'technician',
  secret: '',
  licences: person?.licences ?? [],
});

type Props = { readonly person: Person | undefined; readonly onClose: () => void };

/** A new person with a first PIN, or what may be changed of one; a name stays as it was signed with. */
export function PersonSheet({ person, onClose }: Props) {
  const keep = useMutation({
    mutationFn: api.putPerson,
    onSuccess: async () => {
      // One’s own licences too: who is here is asked again.
      for (const queryKey of [['people'], ['sessions'], ['session']])
        await queryClient.invalidateQueries({ queryKey });
      onClose();
    },
  });
  const { control, handleSubmit } = useForm<Texts>({
    resolver: zodResolver(formSchema),
    defaultValues: textsOf(person),
  });
  const put = handleSubmit(({ secret, ...texts }) => {
    const known = person ?? { id: newId() };
    const { left_on: _, ...here } = known as Person;
    keep.mutate({ person: { ...here, ...texts }, ...(secret === '' ? {} : { secret }) });
  });
  return (
    <BottomSheet isOpen title={person?.name ?? 'A new person'} onClose={onClose}>
      <PersonFields control={control} isNew={person === undefined} />
      <Refused error={keep.error} />
      <BigButton disabled={keep.isPending} onPress={() => void put()}>
        {person?.left_on === undefined ? 'Keep' : 'Bring back'}
      </BigButton>
      {person && person.left_on === undefined ? (
        <>
          <WordButton onPress={() => keep.mutate({ person: { ...person, left_on: today() } })}>
            has left the house
          </WordButton>
          <Muted>Who has left signs in no more; what was signed stays as it is.</Muted>
        </>
      ) : null}
    </BottomSheet>
  );
}

/** What is asked of a person; a name once, because it stays. */
function PersonFields({
  control,
  isNew,
}: {
  readonly control: Control<Texts>;
  readonly isNew: boolean;
}) {
  return (
    <>
      {isNew ? (
        <FormField
          control={control}
          name="name"
          label="Name"
          hint="Stands on every entry and on the sheet, and stays."
          maxLength={80}
        />
      ) : null}
      <FormField
        control={control}
        name="short"
        label="Short name"
        hint="To sign in by: 2 to 12 small letters."
        maxLength={12}
      />
      <FormChoice
        control={control}
        name="role"
        label="Role"
        options={roles.map((role) => ({
          value: role,
          name: role,
          say: `${role} · ${roleWords[role]}`,
        }))}
      />
      <Controller
        name="licences"
        control={control}
        render={({ field, fieldState }) => (
          <LicenceFields
            licences={field.value}
            onChange={field.onChange}
            error={
              fieldState.invalid ? 'Each wants its number, and a day like 2029-06-30.' : undefined
            }
          />
        )}
      />
      <FormField
        control={control}
        name="secret"
        label={isNew ? 'First PIN' : 'A new PIN, if the old one is lost'}
        hint="Six signs or more."
        isSecret
        maxLength={200}
      />
    </>
  );
}
