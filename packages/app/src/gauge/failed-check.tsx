import { doubtsOf, failedCheck, openFailure, type Gauge, type Sheet } from '@holvek/core';
import { format } from 'date-fns/format';
import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { useSheets } from '@/data/queries';
import { Card } from '@/ui/card';
import { Field } from '@/ui/field';
import { YStack } from '@/ui/kit';
import { dayWords, localDay, today } from '@/ui/local-day';
import { BigButton, WordButton } from '@/ui/press';
import { Muted, Strong, Words } from '@/ui/words';

/** Sheets that rest on a gauge and were signed while it was, as is known now, not to be trusted. */
export const restingOn = (gauge: Gauge, sheets: readonly Sheet[]): readonly Sheet[] =>
  sheets.filter(({ body }) => doubtsOf(body, [gauge], localDay).length > 0);

/** How a gauge did in its checks: what rests on it where it failed one, and a word to say that it has. */
export function FailedCheck({
  gauge,
  onFailed,
}: {
  readonly gauge: Gauge;
  readonly onFailed: (gauge: Gauge) => void;
}) {
  const sheets = useSheets().data ?? [];
  const [isOpen, setOpen] = useState(false);
  const open = openFailure(gauge);
  return (
    <YStack gap="$3">
      {gauge.failures ? <Failures gauge={gauge} resting={restingOn(gauge, sheets)} /> : null}
      {open ? (
        <Muted>It may judge again once it is calibrated: enter the new day above.</Muted>
      ) : isOpen ? (
        <FailedForm onKeep={(why) => onFailed(failedCheck(gauge, { on: today(), why }))} />
      ) : (
        <WordButton tone="$vermilion" onPress={() => setOpen(true)}>
          it failed a check
        </WordButton>
      )}
    </YStack>
  );
}

function FailedForm({ onKeep }: { readonly onKeep: (why: string) => void }) {
  const [why, setWhy] = useState('');
  const words = why.trim();
  return (
    <>
      <Field
        label="What the check showed"
        value={why}
        onChangeText={setWhy}
        maxLength={400}
        hint="Every sheet that was signed with it since its last calibration is marked."
      />
      <BigButton kind="stop" disabled={words.length < 3} onPress={() => onKeep(words)}>
        It failed its check today
      </BigButton>
    </>
  );
}

function Failures({
  gauge: { failures = [] },
  resting,
}: {
  readonly gauge: Gauge;
  readonly resting: readonly Sheet[];
}) {
  const router = useRouter();
  return (
    <Card tone="stop">
      {failures.map(({ on, why }) => (
        <Strong
          key={`${on} ${why}`}
          color="$onVermilionSoft"
        >{`Failed on ${dayWords(on)}: ${why}`}</Strong>
      ))}
      <Words color="$onVermilionSoft">
        {resting.length === 0
          ? 'No sheet on this phone rests on it.'
          : `${resting.length === 1 ? '1 sheet rests' : `${resting.length} sheets rest`} on it:`}
      </Words>
      {resting.map(({ id, body }) => (
        <WordButton key={id} tone="$vermilion" onPress={() => router.push(`/sheets/${id}` as Href)}>
          {`${body.valve_tag}, ${format(body.signed_at_ms, 'd MMM yyyy')}`}
        </WordButton>
      ))}
    </Card>
  );
}
