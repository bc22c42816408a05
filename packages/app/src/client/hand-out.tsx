import type { ClientLink, NewClientLink, Sheet } from '@holvek/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import { format } from 'date-fns/format';
import { useState } from 'react';
import { offered, signedToday, toldBy } from './pick';
import { api, Refusal } from '@/data/api';
import { queryClient, useSheets } from '@/data/queries';
import { usePreferences } from '@/prefs/preferences';
import { Card } from '@/ui/card';
import { Choice, Field } from '@/ui/field';
import { YStack } from '@/ui/kit';
import { ListLine } from '@/ui/list-line';
import { today } from '@/ui/local-day';
import { BigButton, WordButton } from '@/ui/press';
import { Loading } from '@/ui/states';
import { TickRow } from '@/ui/tick-row';
import { ToldOnce } from '@/ui/told-once';
import { Heading, Words } from '@/ui/words';
import { refusalWords } from '@/words/trouble';

const KEY = ['client-links'];
const refetch = () => queryClient.invalidateQueries({ queryKey: KEY });
const untilIn = (days: string): number => Date.now() + Number(days) * 86_400_000;

/** Sheets that go to a client: which, in which matter, for how long; and the addresses that live. */
export function HandOut() {
  const sheets = useSheets();
  if (!sheets.data) return <Loading what="Fetching the sheets" />;
  return (
    <YStack gap="$3">
      <NewLink sheets={offered(sheets.data)} />
      <LivingLinks />
    </YStack>
  );
}

function NewLink({ sheets }: { readonly sheets: readonly Sheet[] }) {
  const { technician } = usePreferences();
  const [chosen, setChosen] = useState<readonly string[]>(() =>
    signedToday(sheets, technician, today()),
  );
  const told = toldBy(sheets.filter(({ id }) => chosen.includes(id)));
  const [typed, setTyped] = useState<{ readonly client?: string; readonly order?: string }>({});
  const { client, order } = { ...told, ...typed };
  const [days, setDays] = useState('30');
  const make = useMutation({
    mutationFn: api.makeClientLink,
    onSuccess: refetch,
  });
  const toggle = (id: string) =>
    setChosen((now) => (now.includes(id) ? now.filter((each) => each !== id) : [...now, id]));
  const hand = () =>
    make.mutate({
      client: client.trim(),
      ...(order.trim() === '' ? {} : { order: order.trim() }),
      sheet_ids: [...chosen],
      until_ms: untilIn(days),
    });
  return (
    <Card>
      <Field
        label="Client"
        value={client}
        onChangeText={(text) => setTyped((now) => ({ ...now, client: text }))}
        maxLength={120}
      />
      <Field
        label="Order or permit number, if any"
        value={order}
        onChangeText={(text) => setTyped((now) => ({ ...now, order: text }))}
        maxLength={80}
      />
      <Choice
        label="The address lives for"
        value={days}
        onChange={setDays}
        options={[
          { value: '7', say: 'a week' },
          { value: '30', say: 'a month' },
          { value: '365', say: 'a year' },
        ]}
      />
      <YStack>
        {sheets.map(({ id, body }) => (
          <TickRow
            key={id}
            isTicked={chosen.includes(id)}
            onPress={() => toggle(id)}
            say={`${body.valve_tag} ${body.valve_name}`}
            under={`${format(body.signed_at_ms, 'd MMM yyyy, HH:mm')} · ${body.technician}`}
          />
        ))}
      </YStack>
      {make.error ? <WhatFailed error={make.error} /> : null}
      <BigButton
        disabled={client.trim().length < 2 || chosen.length === 0 || make.isPending}
        onPress={hand}
        testID="make-client-link"
      >
        {`Make an address for ${chosen.length} ${chosen.length === 1 ? 'sheet' : 'sheets'}`}
      </BigButton>
      {make.data ? <Address path={make.data.path} /> : null}
    </Card>
  );
}

const WhatFailed = ({ error }: { readonly error: Error }) => (
  <Words color="$vermilion" role="alert">
    {error instanceof Refusal
      ? refusalWords(error.code)
      : 'The server cannot be reached. Nothing was changed.'}
  </Words>
);

/** On this very phone it can be shown, and received by who stands here. */
const Address = ({ path }: Pick<NewClientLink, 'path'>) => (
  <ToldOnce
    say="It is told this once: give it to the client now."
    label="Address for the client"
    path={path}
  >
    <BigButton kind="outline" onPress={() => window.open(path, '_blank', 'noopener')}>
      Show it here, to be received
    </BigButton>
  </ToldOnce>
);

function LivingLinks() {
  const links = useQuery({ queryKey: KEY, queryFn: api.clientLinks });
  const end = useMutation({ mutationFn: api.endClientLink, onSuccess: refetch });
  const living = links.data ?? [];
  if (living.length === 0) return null;
  return (
    <Card>
      <Heading>Handed out</Heading>
      {end.error ? <WhatFailed error={end.error} /> : null}
      {living.map((link) => (
        <ListLine
          key={link.id}
          say={link.order === undefined ? link.client : `${link.client} · ${link.order}`}
          under={linkWords(link)}
          right={
            <WordButton
              tone="$vermilion"
              label={`End the address of ${link.client}`}
              onPress={() => end.mutate(link.id)}
            >
              end it
            </WordButton>
          }
        />
      ))}
    </Card>
  );
}

const linkWords = ({ sheet_ids: ids, made_by: by, until_ms: until, received }: ClientLink) =>
  [
    `${ids.length} ${ids.length === 1 ? 'sheet' : 'sheets'} by ${by}`,
    `until ${format(until, 'd MMM yyyy')}`,
    received
      ? `received by ${received.name}, ${format(received.at_ms, 'd MMM, HH:mm')}`
      : 'not received yet',
  ].join(' · ');
