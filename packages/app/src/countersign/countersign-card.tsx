import type { Countersign, Sheet } from '@holvek/core';
import { format } from 'date-fns/format';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { signTrouble } from '@/people/sign-here';
import { Allowed } from '@/people/allowed';
import { usePreferences } from '@/prefs/preferences';
import { Card } from '@/ui/card';
import { Field } from '@/ui/field';
import { BigButton, WordButton } from '@/ui/press';
import { Heading, Muted, Strong, Words } from '@/ui/words';
import { useCountersigns, useSaidOf, useSayOf } from './use-countersign';

/** The second signature under a sheet: wanted, given, or sent back with what is to be done. */
export function CountersignCard({ sheet }: { readonly sheet: Sheet }) {
  const state = useCountersigns()(sheet);
  if (state.kind === 'not_wanted') return null;
  if (state.kind === 'agreed')
    return (
      <Card testID="countersign">
        <Strong>{`Countersigned by ${state.last.by}`}</Strong>
        <Muted>{format(state.last.at_ms, 'd MMM yyyy, HH:mm')}</Muted>
        {state.last.words ? <Words>{state.last.words}</Words> : null}
      </Card>
    );
  return (
    <Card tone={state.kind === 'sent_back' ? 'stop' : 'work'} testID="countersign">
      {state.kind === 'sent_back' ? <SentBack last={state.last} /> : <Wanted />}
    </Card>
  );
}

/** On the valve: its last sheet was sent back, and what is to be done. */
export function SentBackCard({ sheetId }: { readonly sheetId: string }) {
  const router = useRouter();
  const last = useSaidOf(sheetId);
  if (last?.verdict !== 'sent_back') return null;
  return (
    <Card tone="stop" role="alert" testID="sent-back">
      <SentBack last={last} />
      <WordButton onPress={() => router.push(`/sheets/${sheetId}`)}>look at the sheet</WordButton>
    </Card>
  );
}

/** Giving it, or sending the sheet back: below what has to be looked at first. */
export function CountersignForm({ sheet }: { readonly sheet: Sheet }) {
  const { kind } = useCountersigns()(sheet);
  if (kind !== 'wanted' && kind !== 'sent_back') return null;
  return (
    <Card testID="countersign-form">
      <Heading>Second signature</Heading>
      <Allowed action="countersign" what="Countersigning">
        <SayOf sheet={sheet} />
      </Allowed>
    </Card>
  );
}

const Wanted = () => (
  <>
    <Strong>Signed, to be countersigned</Strong>
    <Muted>
      A second pair of eyes looks at figures, trace, doubts and photos, and signs below.
    </Muted>
  </>
);

const SentBack = ({ last: { by, at_ms: at, words } }: { readonly last: Countersign }) => (
  <>
    <Strong color="$onVermilionSoft">
      {`Sent back by ${by}, ${format(at, 'd MMM yyyy, HH:mm')}`}
    </Strong>
    <Words color="$onVermilionSoft">{words}</Words>
  </>
);

function SayOf({ sheet }: { readonly sheet: Sheet }) {
  const { technician: by } = usePreferences();
  const [words, setWords] = useState('');
  const say = useSayOf(sheet);
  const send = (verdict: 'agreed' | 'sent_back') =>
    say.mutate({ by, verdict, words: words.trim(), at_ms: Date.now() });
  const isBare = words.trim().length < 3;
  return (
    <>
      <Field
        label="What is to be done, or worth saying"
        value={words}
        onChangeText={setWords}
        maxLength={2000}
      />
      <BigButton disabled={say.isPending} onPress={() => send('agreed')}>
        {`Countersign as ${by}`}
      </BigButton>
      <BigButton kind="stop" disabled={isBare || say.isPending} onPress={() => send('sent_back')}>
        Send it back
      </BigButton>
      {isBare ? <Muted>To send it back, say what is to be done.</Muted> : null}
      {say.error ? (
        <Words color="$vermilion" role="alert">
          {signTrouble(say.error)}
        </Words>
      ) : null}
    </>
  );
}
