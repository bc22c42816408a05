import { freezeSheet, signingError, type StepOf } from '@holvek/core';
import { OpenEndsList } from '../parts/open-ends-list';
import { StepFrame } from '../parts/step-frame';
import { useDesk } from '@/desk/use-desk';
import { usePreferences } from '@/prefs/preferences';
import { ReportView } from '@/report/report-view';
import { Card, Row } from '@/ui/card';
import { BigButton } from '@/ui/press';
import { Muted, Words } from '@/ui/words';
import { eventTrouble } from '@/words/trouble';

/** What will stand on the sheet, and the name under it. */
export function SignStep(_: { readonly step: StepOf<'sign'> }) {
  const { run, add, units } = useDesk();
  const { technician } = usePreferences();
  const blocked = signingError(run);
  const wouldBe = { type: 'signed' as const, name: technician || '–', covers: run.eventCount };
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
  return (
    <StepFrame
      actions={
        <BigButton
          flex={1}
          disabled={technician === ''}
          onPress={() => void add(wouldBe)}
          testID="sign"
        >
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
      <Card>
        <Row label="Signed by" isLast>
          {technician}
        </Row>
        <Muted>Signing freezes the sheet. A correction is a new revision.</Muted>
      </Card>
    </StepFrame>
  );
}
