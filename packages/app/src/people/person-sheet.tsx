import { zodResolver } from '@hookform/resolvers/zod';
import { personSchema, roles, secretSchema, type Person } from '@holvek/core';
import { useMutation } from '@tanstack/react-query';
import { Controller, useForm } from 'react-hook-form';
import { z } from 'zod';
import { roleWords } from './people-words';
import { Refused } from './sign-in-page';
import { api } from '@/data/api';
import { newId } from '@/data/new-id';
import { queryClient } from '@/data/queries';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Choice } from '@/ui/field';
import { FormField } from '@/ui/form-field';
import { today } from '@/ui/local-day';
import { BigButton, WordButton } from '@/ui/press';
import { Muted } from '@/ui/words';

const formSchema = personSchema
  .pick({ name: true, short: true, role: true })
  .extend({ secret: z.union([z.literal(''), secretSchema]) });
type Texts = z.input<typeof formSchema>;

type Props = { readonly person: Person | undefined; readonly onClose: () => void };

/** A new person with a first PIN, or what may be changed of one; a name stays as it was signed with. */
export function PersonSheet({ person, onClose }: Props) {
  const keep = useMutation({
    mutationFn: api.putPerson,
    onSuccess: async () => {
      await queryClient.invalidateQueries({ queryKey: ['people'] });
      await queryClient.invalidateQueries({ queryKey: ['sessions'] });
      onClose();
    },
  });
  const { control, handleSubmit } = useForm<Texts>({
    resolver: zodResolver(formSchema),
    defaultValues: {
      name: person?.name ?? '',
      short: person?.short ?? '',
      role: person?.role ?? 'technician',
      secret: '',
    },
  });
  const put = handleSubmit(({ secret, ...texts }) => {
    const known = person ?? { id: newId(), licences: [] };
    const { left_on: _, ...here } = known as Person;
    keep.mutate({ person: { ...here, ...texts }, ...(secret === '' ? {} : { secret }) });
  });
  return (
    <BottomSheet isOpen title={person?.name ?? 'A new person'} onClose={onClose}>
      {person ? null : (
        <FormField
          control={control}
          name="name"
          label="Name"
          hint="Stands on every entry and on the sheet, and stays."
          maxLength={80}
        />
      )}
      <FormField
        control={control}
        name="short"
        label="Short name"
        hint="To sign in by: 2 to 12 small letters."
        maxLength={12}
      />
      <Controller
        name="role"
        control={control}
        render={({ field }) => (
          <Choice
            label="Role"
            value={field.value}
            onChange={field.onChange}
            options={roles.map((role) => ({
              value: role,
              name: role,
              say: `${role} · ${roleWords[role]}`,
            }))}
          />
        )}
      />
      <FormField
        control={control}
        name="secret"
        label={person ? 'A new PIN, if the old one is lost' : 'First PIN'}
        hint="Six signs or more."
        isSecret
        maxLength={200}
      />
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
