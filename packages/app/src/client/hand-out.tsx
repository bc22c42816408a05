import { zodResolver } from '@hookform/resolvers/zod';
import type { ClientLink, NewClientLink, Sheet } from '@holvek/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import { format } from 'date-fns/format';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { z } from 'zod';
import { DrawnView } from './drawn-view';
import { offered, signedToday, toldBy } from './pick';
import { api, Refusal } from '@/data/api';
import { queryClient, useSheets } from '@/data/queries';
import { usePreferences } from '@/prefs/preferences';
import { Card } from '@/ui/card';
import { FormChoice } from '@/ui/form-choice';
import { FormField } from '@/ui/form-field';
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

const linkSchema = z.object({
  client: z.string().trim().min(2, 'For whom is it?').max(120),
  order: z.string().trim().max(80),
  days: z.enum(['7', '30', '365']),
  ids: z.array(z.string()).min(1),
});
type LinkTexts = z.infer<typeof linkSchema>;

const lives: readonly { readonly value: LinkTexts['days']; readonly say: string }[] = [
  { value: '7', say: 'a week' },
  { value: '30', say: 'a month' },
  { value: '365', say: 'a year' },
];

/** What the chosen sheets say of client and order stands there until somebody writes something else. */
function useLinkForm(sheets: readonly Sheet[]) {
  const { technician } = usePreferences();
  const told = (ids: readonly string[]) => toldBy(sheets.filter(({ id }) => ids.includes(id)));
  const [first] = useState(() => signedToday(sheets, technician, today()));
  const form = useForm<LinkTexts>({
    resolver: zodResolver(linkSchema),
    mode: 'onChange',
    defaultValues: { ...told(first), days: '30', ids: [...first] },
  });
  const { dirtyFields, isValid } = form.formState;
  const ids = useWatch({ control: form.control, name: 'ids' });
  const toggle = (id: string) => {
    const next = ids.includes(id) ? ids.filter((each) => each !== id) : [...ids, id];
    form.setValue('ids', next);
    const { client, order } = told(next);
    if (!dirtyFields.client) form.setValue('client', client);
    if (!dirtyFields.order) form.setValue('order', order);
    void form.trigger(['client', 'ids']);
  };
  return { control: form.control, handleSubmit: form.handleSubmit, isValid, ids, toggle };
}

function NewLink({ sheets }: { readonly sheets: readonly Sheet[] }) {
  const { control, handleSubmit, isValid, ids, toggle } = useLinkForm(sheets);
  const make = useMutation({
    mutationFn: api.makeClientLink,
    onSuccess: refetch,
  });
  const hand = handleSubmit(({ client, order, days, ids: sheetIds }) =>
    make.mutate({
      client,
      ...(order === '' ? {} : { order }),
      sheet_ids: sheetIds,
      until_ms: untilIn(days),
    }),
  );
  return (
    <Card>
      <FormField control={control} name="client" label="Client" maxLength={120} />
      <FormField
        control={control}
        name="order"
        label="Order or permit number, if any"
        maxLength={80}
      />
      <FormChoice control={control} name="days" label="The address lives for" options={lives} />
      <YStack>
        {sheets.map(({ id, body }) => (
          <TickRow
            key={id}
            isTicked={ids.includes(id)}
            onPress={() => toggle(id)}
            say={`${body.valve_tag} ${body.valve_name}`}
            under={`${format(body.signed_at_ms, 'd MMM yyyy, HH:mm')} · ${body.technician}`}
          />
        ))}
      </YStack>
      {make.error ? <WhatFailed error={make.error} /> : null}
      <BigButton
        disabled={!isValid || make.isPending}
        onPress={() => void hand()}
        testID="make-client-link"
      >
        {`Make an address for ${ids.length} ${ids.length === 1 ? 'sheet' : 'sheets'}`}
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
        <YStack key={link.id}>
          <ListLine
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
          {link.received?.drawn ? (
            <DrawnView drawn={link.received.drawn} name={link.received.name} />
          ) : null}
        </YStack>
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
