import type { OpenEnd } from '@holvek/core';
import { useState } from 'react';
import { YStack } from '@/ui/kit';
import { useDesk } from '@/desk/use-desk';
import { Card } from '@/ui/card';
import { Field } from '@/ui/field';
import { BigButton, WordButton } from '@/ui/press';
import { Muted, Strong, Words } from '@/ui/words';

/** Everything that was moved for the job: said closed one by one, or left with a reason. */
export function OpenEndsList({ canClose }: { readonly canClose: boolean }) {
  const { run, add } = useDesk();
  const [leaving, setLeaving] = useState<string>();
  const [reason, setReason] = useState('');
  const leave = (id: string) =>
    void add({ type: 'open_end_left', open_end: id, reason: reason.trim() }).then((done) => {
      if (done) setLeaving(undefined);
    });
  const open = run.openEnds.filter(({ state }) => state === 'open');
  const settled = run.openEnds.filter(({ state }) => state !== 'open');
  return (
    <YStack gap="$2">
      {open.length === 0 ? <Words color="$muted">Nothing is open.</Words> : null}
      {open.map((end) => (
        <Card key={end.id} tone="work" padding="$3">
          <Strong>{end.say}</Strong>
          {canClose ? (
            leaving === end.id ? (
              <>
                <Field
                  label="Why must it stay open?"
                  value={reason}
                  onChangeText={setReason}
                  maxLength={400}
                />
                <BigButton
                  kind="stop"
                  disabled={reason.trim().length < 3}
                  onPress={() => leave(end.id)}
                >
                  Leave it open
                </BigButton>
              </>
            ) : (
              <>
                <BigButton
                  kind="outline"
                  onPress={() => void add({ type: 'open_end_closed', open_end: end.id })}
                  label={`Put back: ${end.putBack}`}
                >
                  {end.putBack}
                </BigButton>
                <WordButton
                  tone="$vermilion"
                  onPress={() => setLeaving(end.id)}
                  label={`Must stay open: ${end.say}`}
                >
                  must stay open
                </WordButton>
              </>
            )
          ) : (
            <Muted>{`To put back: ${end.putBack}`}</Muted>
          )}
        </Card>
      ))}
      {settled.map((end) => (
        <SettledEnd key={end.id} end={end} />
      ))}
    </YStack>
  );
}

const SettledEnd = ({ end }: { readonly end: OpenEnd }) =>
  end.state === 'left' ? (
    <Words color="$vermilion">{`Left open: ${end.say}. ${end.reason ?? ''}`}</Words>
  ) : (
    <Muted>{`Put back: ${end.say}`}</Muted>
  );
