import { freezeSheet, signingError, type StepOf } from '@holvek/core';
import { useState } from 'react';
import { OpenEndsList } from '@/run/open-ends-list';
import { StepFrame } from '../parts/step-frame';
import { useDesk } from '@/run/use-desk';
import { changePreferences, usePreferences } from '@/settings/preferences';
import { ReportView } from '@/report/report-view';
import { Card } from '@/ui/card';
import { Field } from '@/ui/field';
import { BigButton } from '@/ui/press';
import { Words } from '@/ui/words';
import { eventTrouble } from '@/words/trouble';

/** What will stand on the sheet, and the name under it. */
export function SignStep(_: { readonly step: StepOf<'sign'> }) {
  const { run, add, units } = useDesk();
  const { technician } = usePreferences();
  const [name, setName] = useState(technician);
  const blocked = signingError(run);
  const wouldBe = { type: 'signed' as const, name: name.trim() || '–', covers: run.eventCount };
  const preview = freezeSheet(
    {
      ...run,
      signed: {
        ...wouldBe,
        id: 'preview',
        run_id: run.id,
        author: wouldBe.name,
        at_ms: run.lastAtMs,
        lamport: run.lamport + 1,
      },
    },
    null,
  );
  const sign = () => {
    changePreferences({ technician: name.trim() });
    void add(wouldBe);
  };
  return (
    <StepFrame
      actions={
        <BigButton flex={1} disabled={name.trim().length < 2} onPress={sign} testID="sign">
          Sign the sheet
        </BigButton>
      }
    >
      {blocked ? (
        <Card tone="stop" role="alert">
          <Words color="$onVermilionSoft">{eventTrouble(blocked, units)}</Words>
        </Card>
      ) : null}
      {blocked ? <OpenEndsList canClose /> : null}
      {preview.ok ? <ReportView body={preview.value} /> : null}
      <Field
        label="Your name"
        value={name}
        onChangeText={setName}
        maxLength={80}
        hint="Signing freezes the sheet. A correction is a new revision."
      />
    </StepFrame>
  );
}
