import { zodResolver } from '@hookform/resolvers/zod';
import { secretSchema } from '@holvek/core';
import { useMutation } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { Refused } from './refused';
import { rememberHere, useSession } from './session';
import { api } from '@/data/api';
import { Card } from '@/ui/card';
import { FormField } from '@/ui/form-field';
import { BigButton } from '@/ui/press';
import { Heading, Muted, Words } from '@/ui/words';

const formSchema = z.object({ old: z.string().min(1), secret: secretSchema });

/** One’s own PIN, changed by whoever knows the one before. */
export function MySecretCard() {
  const { control, handleSubmit, reset } = useForm({
    resolver: zodResolver(formSchema),
    defaultValues: { old: '', secret: '' },
  });
  const { data: session } = useSession();
  const change = useMutation({
    mutationFn: api.changeSecret,
    onSuccess: async (_, { secret }) => {
      reset();
      if (session?.person) await rememberHere(session.person, secret);
    },
  });
  return (
    <Card>
      <Heading>My PIN</Heading>
      <FormField control={control} name="old" label="The one I have" isSecret maxLength={200} />
      <FormField
        control={control}
        name="secret"
        label="The new one"
        hint="Six signs or more."
        isSecret
        maxLength={200}
      />
      <Refused error={change.error} />
      {change.isSuccess ? (
        <Words role="status">Changed. Other phones of yours are signed out.</Words>
      ) : null}
      <BigButton
        kind="outline"
        disabled={change.isPending}
        onPress={() => void handleSubmit((said) => change.mutate(said))()}
      >
        Change it
      </BigButton>
      <Muted>Who has lost it is given a new one by an owner.</Muted>
    </Card>
  );
}
