import { useState } from 'react';
import { usePeople } from '@/data/queries';
import { CountersignRulesCard } from '@/countersign/countersign-rules-card';
import { LicenceRulesCard } from '@/people/licence-rules-card';
import { MySecretCard } from '@/people/my-secret-card';
import { roleWords } from '@/people/people-words';
import { PersonSheet } from '@/people/person-sheet';
import { PhonesCard } from '@/people/phones-card';
import { useMay } from '@/prefs/preferences';
import { Screen } from '@/shell/screen';
import { ListLine } from '@/ui/list-line';
import { Card, Pill } from '@/ui/card';
import { Columns } from '@/ui/columns';
import { BigButton, Press } from '@/ui/press';
import { Loading, Trouble } from '@/ui/states';
import { Heading, Muted, Spoken } from '@/ui/words';
import type { Person } from '@holvek/core';

/** Who belongs to the house, where each is signed in, and one’s own PIN. */
export default function PeopleScreen() {
  const people = usePeople();
  const invite = useMay('invite');
  const [open, setOpen] = useState<Person | 'new'>();
  if (people.isPending) return <Loading what="Fetching who belongs here" />;
  if (!people.data)
    return (
      <Screen title="People" back>
        <Trouble
          title="The people cannot be read"
          say="There is no network, and none were kept from an earlier visit."
          onRetry={() => void people.refetch()}
        />
      </Screen>
    );
  return (
    <Screen title="People" under="Who may do what here" back wide>
      <Columns
        left={
          <>
            <Card>
              <Heading>The house</Heading>
              {people.data.map((person) => (
                <PersonLine
                  key={person.id}
                  person={person}
                  {...(invite.may ? { onPress: () => setOpen(person) } : {})}
                />
              ))}
              {invite.may ? (
                <BigButton kind="outline" onPress={() => setOpen('new')}>
                  Add a person
                </BigButton>
              ) : (
                <Muted>{`People are added and changed by an ${invite.needs}.`}</Muted>
              )}
            </Card>
            <LicenceRulesCard />
            <CountersignRulesCard />
          </>
        }
        right={
          <>
            <PhonesCard people={people.data} />
            <MySecretCard />
          </>
        }
      />
      {open ? (
        <PersonSheet
          key={open === 'new' ? open : open.id}
          person={open === 'new' ? undefined : open}
          onClose={() => setOpen(undefined)}
        />
      ) : null}
    </Screen>
  );
}

function PersonLine({
  person,
  onPress,
}: {
  readonly person: Person;
  readonly onPress?: () => void;
}) {
  const { name, short, role, left_on } = person;
  const line = (
    <ListLine
      say={name}
      under={left_on === undefined ? `${short} · ${roleWords[role]}` : `has left on ${left_on}`}
      right={<Pill tone="quiet">{left_on === undefined ? role : 'left'}</Pill>}
    />
  );
  return onPress ? (
    <Press onPress={onPress}>
      <Spoken>Change</Spoken>
      {line}
    </Press>
  ) : (
    line
  );
}
