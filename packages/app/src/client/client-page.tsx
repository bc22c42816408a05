import type { ClientView, SignedByHand, Sheet } from '@holvek/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import { format } from 'date-fns/format';
import { useState } from 'react';
import { DrawingPad } from './drawing-pad';
import { DrawnView } from './drawn-view';
import { api, Refusal } from '@/data/api';
import { queryClient } from '@/data/queries';
import { ReportView } from '@/report/report-view';
import { Screen } from '@/shell/screen';
import { CheckedCard, checkRecord, type Checked } from '@/sheet/check-record';
import { Card, Pill } from '@/ui/card';
import { Field } from '@/ui/field';
import { XStack, YStack } from '@/ui/kit';
import { BigButton } from '@/ui/press';
import { Loading, Trouble } from '@/ui/states';
import { Heading, Muted, Strong, Words } from '@/ui/words';
import { refusalWords } from '@/words/trouble';

/** What a client was handed: his sheets, each to be read, checked and taken away, and a word that he has them. */
export function ClientPage({ token }: { readonly token: string }) {
  const queryKey = ['client', token];
  const view = useQuery({
    queryKey,
    queryFn: () => api.clientView(token),
    retry: false,
    // What an address shows ends with it, in the client's browser too.
    meta: { isOnlyShown: true },
  });
  if (view.isPending) return <Loading what="Fetching what was handed over" />;
  if (!view.data || view.error instanceof Refusal)
    return (
      <Screen title="Handed over">
        <Trouble
          title="Nothing is shown at this address"
          say={
            view.error instanceof Refusal
              ? 'It was ended, has run out, or was not copied whole. Ask whoever gave it to you for another.'
              : 'The server cannot be reached. Try again when there is a network.'
          }
          onRetry={() => void view.refetch()}
        />
      </Screen>
    );
  const { client, order, made_by: by, until_ms: until, sheets, corrected } = view.data;
  return (
    <Screen
      title={client}
      under={[...(order === undefined ? [] : [order]), `handed over by ${by}`].join(' · ')}
    >
      <Muted>{`To be seen here until ${format(until, 'd MMM yyyy')}. What is taken away stays.`}</Muted>
      {sheets.map((sheet) => (
        <OneSheet
          key={sheet.id}
          sheet={sheet}
          token={token}
          isCorrected={corrected.includes(sheet.id)}
        />
      ))}
      <ReceiptCard
        view={view.data}
        token={token}
        onReceived={(after) => queryClient.setQueryData(queryKey, after)}
      />
    </Screen>
  );
}

type OneProps = {
  readonly sheet: Sheet;
  readonly token: string;
  /** A later revision corrects it. */
  readonly isCorrected: boolean;
};

function OneSheet({ sheet: { id, body }, token, isCorrected }: OneProps) {
  const [isOpen, setOpen] = useState(false);
  const [checked, setChecked] = useState<Checked>();
  const path = (ending: 'pdf' | 'json') => `/api/client/${token}/${id}.${ending}`;
  const check = async () => {
    const name = `${body.valve_tag}.json`;
    const blob = await fetch(path('json'))
      .then((answer) => (answer.ok ? answer.blob() : undefined))
      .catch(() => undefined);
    if (!blob) return setChecked({ state: 'unreadable', name, why: 'The server did not give it.' });
    const file = new File([blob], name);
    setChecked(await checkRecord(file, { seq: 0, hash: null }, globalThis.crypto.subtle));
  };
  return (
    <Card>
      <Heading>{`${body.valve_tag} ${body.valve_name}`}</Heading>
      <Words>{`${format(body.signed_at_ms, 'd MMM yyyy, HH:mm')} · ${body.technician}`}</Words>
      {isCorrected ? (
        <XStack>
          <Pill tone="stop">a later revision corrects this sheet: ask for it</Pill>
        </XStack>
      ) : null}
      {isOpen ? <ReportView body={body} /> : null}
      <BigButton kind="outline" onPress={() => setOpen(!isOpen)}>
        {isOpen ? 'Fold it up' : 'Read it'}
      </BigButton>
      <XStack gap="$2">
        <BigButton flex={1} kind="outline" onPress={() => window.location.assign(path('pdf'))}>
          PDF
        </BigButton>
        <BigButton flex={1} kind="outline" onPress={() => void check()}>
          {`Check ${body.valve_tag}`}
        </BigButton>
      </XStack>
      {checked ? <CheckedCard checked={checked} /> : null}
    </Card>
  );
}

type ReceiptProps = {
  readonly view: ClientView;
  readonly token: string;
  readonly onReceived: (view: ClientView) => void;
};

/** Said once: who has received it, and when. */
function ReceiptCard({ view: { received }, token, onReceived }: ReceiptProps) {
  const [name, setName] = useState('');
  const [drawn, setDrawn] = useState<SignedByHand>();
  const say = useMutation({
    mutationFn: () => api.receive(token, { name: name.trim(), ...(drawn ? { drawn } : {}) }),
    onSuccess: onReceived,
  });
  if (received)
    return (
      <Card testID="received">
        <Strong>{`Received by ${received.name}, ${format(received.at_ms, 'd MMM yyyy, HH:mm')}`}</Strong>
        {received.drawn ? <DrawnView drawn={received.drawn} name={received.name} /> : null}
      </Card>
    );
  return (
    <Card>
      <YStack gap="$2">
        <Words>That these were handed over is said once, under a name.</Words>
        <Field label="Your name" value={name} onChangeText={setName} maxLength={120} />
        <DrawingPad onDrawn={setDrawn} />
        {say.error ? (
          <Words color="$vermilion" role="alert">
            {say.error instanceof Refusal
              ? refusalWords(say.error.code)
              : 'The server cannot be reached. Nothing was changed.'}
          </Words>
        ) : null}
        <BigButton
          disabled={name.trim().length < 2 || say.isPending}
          onPress={() => say.mutate()}
          testID="receive"
        >
          I have received this
        </BigButton>
      </YStack>
    </Card>
  );
}
