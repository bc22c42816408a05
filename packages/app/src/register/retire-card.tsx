import type { Valve } from '@holvek/core';
import { useState } from 'react';
import { useChangeValve } from '@/data/queries';
import { Card } from '@/ui/card';
import { Field } from '@/ui/field';
import { localDay } from '@/ui/local-day';
import { BigButton, WordButton } from '@/ui/press';
import { Muted, Strong } from '@/ui/words';

/** Taking a valve out of use, with the reason, and bringing it back; its records stay either way. */
export function RetireCard({ valve }: { readonly valve: Valve }) {
  const change = useChangeValve();
  const [why, setWhy] = useState<string>();
  const { retired, ...inUse } = valve;
  if (retired)
    return (
      <Card tone="warn">
        <Strong color="$onBrassSoft">{`Retired on ${retired.on}: ${retired.why}`}</Strong>
        <BigButton kind="outline" onPress={() => change.mutate(inUse)}>
          Bring it back into use
        </BigButton>
      </Card>
    );
  if (why === undefined)
    return (
      <WordButton tone="$vermilion" onPress={() => setWhy('')}>
        retire this valve
      </WordButton>
    );
  const reason = why.trim();
  return (
    <Card>
      <Strong>Retire this valve</Strong>
      <Muted>It leaves the lists. Its sheets stay, and it can be brought back.</Muted>
      <Field label="Why" value={why} onChangeText={setWhy} maxLength={400} />
      <BigButton
        kind="stop"
        disabled={reason.length < 3 || change.isPending}
        onPress={() =>
          change.mutate({ ...inUse, retired: { why: reason, on: localDay(Date.now()) } })
        }
      >
        Retire it
      </BigButton>
      <WordButton onPress={() => setWhy(undefined)}>leave it in use</WordButton>
    </Card>
  );
}
