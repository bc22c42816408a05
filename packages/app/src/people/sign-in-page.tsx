import { zodResolver } from '@hookform/resolvers/zod';
import { firstOwnerSchema, signInSchema, type Session } from '@holvek/core';
import { useMutation } from '@tanstack/react-query';
import { useForm, useWatch } from 'react-hook-form';
import { LarkhollowCard, LeaveLarkhollow } from './larkhollow-card';
import { roleWords } from './people-words';
import { Refused } from './refused';
import { becomeOwner, signIn, useHandsHere } from './session';
import { Screen } from '@/shell/screen';
import { Card } from '@/ui/card';
import { Choice } from '@/ui/field';
import { FormField } from '@/ui/form-field';
import { YStack } from '@/ui/kit';
import { BigButton, Press, WordButton } from '@/ui/press';
import { Heading, Muted, Spoken, Strong } from '@/ui/words';

type Props = {
  readonly house: Session;
  /** Going on under the name that is known here; nothing where none is. */
  readonly onLater?: () => void;
};

/** The door: by name and PIN, in a demo by a touch, in a new house by the code of its first owner. */
export function SignInPage({ house, onLater }: Props) {
  return (
    <Screen
      title={house.has_owner ? 'Who is here?' : 'A new house'}
      under={
        house.has_owner
          ? 'Every entry and every signature stands under the name of who made it'
          : 'Its first owner decides who else belongs to it'
      }
    >
      {house.demo ? <DemoPeople people={house.demo} /> : null}
      {house.has_owner ? <SignInForm /> : <OwnerForm />}
      {house.has_owner ? null : <LarkhollowCard />}
      <LeaveLarkhollow />
      {onLater ? (
        <WordButton onPress={onLater}>
          Work on without signing in: entries wait on this phone
        </WordButton>
      ) : null}
    </Screen>
  );
}

/** The door without a network: whoever has signed in on this phone before comes in by the same PIN. */
export const OfflineDoor = () => (
  <Screen
    title="Who is here?"
    under="No network: this phone knows whoever has signed in on it in the last 30 days"
  >
    <SignInForm />
  </Screen>
);

function DemoPeople({ people }: { readonly people: NonNullable<Session['demo']> }) {
  const enter = useMutation({ mutationFn: signIn });
  return (
    <Card>
      <Heading>The demo: be one of them</Heading>
      {people.map(({ person, secret }) => (
        <Press
          key={person.id}
          onPress={() => enter.mutate({ short: person.short, secret })}
          testID={`be-${person.short}`}
          minHeight={56}
          justifyContent="center"
          paddingHorizontal="$3"
          borderWidth={2}
          borderRadius="$3"
          borderColor="$verdigris"
        >
          <Spoken>Be</Spoken>
          <Strong color="$verdigrisDeep">{person.name}</Strong>
          <Muted>{`${person.role} · ${roleWords[person.role]}`}</Muted>
        </Press>
      ))}
      <Muted>{`Or by hand below: ${people[0]?.person.short} and PIN ${people[0]?.secret}.`}</Muted>
      <Refused error={enter.error} />
    </Card>
  );
}

const signInForm = signInSchema.pick({ short: true, secret: true });

function SignInForm() {
  const enter = useMutation({ mutationFn: signIn });
  const { data: hands = [] } = useHandsHere();
  const { control, handleSubmit, setValue } = useForm({
    resolver: zodResolver(signInForm),
    defaultValues: { short: '', secret: '' },
  });
  const short = useWatch({ control, name: 'short' });
  const send = () => void handleSubmit((said) => enter.mutate(said))();
  return (
    <Card>
      <YStack gap="$3">
        {hands.length > 0 ? (
          <Choice
            label="Known on this phone"
            value={short}
            options={hands.map((hand) => ({ value: hand.short, say: hand.name }))}
            onChange={(next) => setValue('short', next)}
          />
        ) : null}
        <FormField control={control} name="short" label="Short name" maxLength={12} />
        <FormField
          control={control}
          name="secret"
          label="PIN or password"
          isSecret
          maxLength={200}
          onSubmit={send}
        />
        <Refused error={enter.error} />
        <BigButton disabled={enter.isPending} onPress={send} testID="sign-in">
          Sign in
        </BigButton>
      </YStack>
    </Card>
  );
}

const ownerForm = firstOwnerSchema.omit({ device: true, called: true, proof: true });

function OwnerForm() {
  const enter = useMutation({ mutationFn: becomeOwner });
  const { control, handleSubmit } = useForm({
    resolver: zodResolver(ownerForm),
    defaultValues: { code: '', name: '', short: '', secret: '' },
  });
  return (
    <Card>
      <YStack gap="$3">
        <FormField
          control={control}
          name="code"
          label="Code of the first owner"
          hint="The server has printed it when it was started."
          maxLength={60}
        />
        <FormField
          control={control}
          name="name"
          label="Your name"
          hint="Stands on every entry and on the sheet."
          maxLength={80}
        />
        <FormField
          control={control}
          name="short"
          label="Short name"
          hint="To sign in by: 2 to 12 small letters."
          maxLength={12}
        />
        <FormField
          control={control}
          name="secret"
          label="PIN or password"
          hint="Six signs or more."
          isSecret
          maxLength={200}
        />
        <Refused error={enter.error} />
        <BigButton
          disabled={enter.isPending}
          onPress={() => void handleSubmit((said) => enter.mutate(said))()}
          testID="become-owner"
        >
          Open the house
        </BigButton>
      </YStack>
    </Card>
  );
}
