import { freezeSheet, isPractice, type SheetBody } from '@holvek/core';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { useDesk } from '@/desk/use-desk';
import { useFiledSheet, useOutbox } from '@/data/store';
import { Screen } from '@/shell/screen';
import { takeUnfiled } from '@/sheet/paper/take-away';
import { SyncPill } from '@/shell/sync-pill';
import { ReportView } from '@/report/report-view';
import { Card } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { Strong, Words } from '@/ui/words';
import { refusalWords } from '@/words/trouble';

/** A run that is signed: its sheet, filed or waiting for the network. */
export function SignedRun() {
  const { run } = useDesk();
  const router = useRouter();
  const client = useQueryClient();
  const sheetId = useFiledSheet(run.id);
  const frozen = freezeSheet(run, null);
  useEffect(() => {
    if (!sheetId) return;
    void client.invalidateQueries({ queryKey: ['sheets'] });
    void client.invalidateQueries({ queryKey: ['summaries'] });
    void client.invalidateQueries({ queryKey: ['fleet'] });
    void client.invalidateQueries({ queryKey: ['practice'] });
  }, [client, sheetId]);
  return (
    <Screen
      title={run.started.valve_tag}
      under={`signed by ${run.signed?.name ?? ''}`}
      practice={isPractice(run.started)}
      back
      right={<SyncPill />}
      footer={
        <>
          <BigButton flex={1} kind="outline" onPress={() => router.replace('/')}>
            To the round
          </BigButton>
          {sheetId ? (
            <BigButton
              flex={1}
              onPress={() => router.replace(`/sheets/${sheetId}`)}
              testID="to-sheet"
            >
              Open the sheet
            </BigButton>
          ) : null}
        </>
      }
    >
      {sheetId ? null : <NotYetFiled runId={run.id} />}
      {!sheetId && frozen.ok && !isPractice(run.started) ? (
        <TakeUnfiled body={frozen.value} />
      ) : null}
      {run.late.length > 0 ? (
        <Card>
          <Strong>After the signature</Strong>
          <Words>{`${run.late.length} entries came in that this sheet is not about. They are kept beside it.`}</Words>
        </Card>
      ) : null}
      {frozen.ok ? <ReportView body={frozen.value} /> : null}
    </Screen>
  );
}

/** Paper for a client who waits, where no network is. */
function TakeUnfiled({ body }: { readonly body: SheetBody }) {
  const [hasFailed, setFailed] = useState(false);
  const take = () => void takeUnfiled(body).catch(() => setFailed(true));
  return (
    <>
      <WordButton onPress={take}>PDF, marked as not yet filed</WordButton>
      {hasFailed ? (
        <Words color="$vermilion" role="alert">
          The PDF could not be made on this device. The sheet is safe all the same.
        </Words>
      ) : null}
    </>
  );
}

/** Safe here, and why it has no number yet. */
function NotYetFiled({ runId }: { readonly runId: string }) {
  const { waiting, refused } = useOutbox();
  const code =
    refused.find((entry) => entry.runId === runId)?.code ?? waiting.get(runId) ?? undefined;
  if (code !== undefined && code !== 'run.events_missing')
    return (
      <Card tone="stop" role="alert">
        <Strong color="$onVermilionSoft">Not filed</Strong>
        <Words color="$onVermilionSoft">{refusalWords(code)}</Words>
      </Card>
    );
  return (
    <Card tone="warn">
      <Strong color="$onBrassSoft">Waiting to be filed</Strong>
      <Words color="$onBrassSoft">
        {code === undefined
          ? 'The sheet is signed and safe on this phone. It is filed with its number as soon as there is a network.'
          : refusalWords(code)}
      </Words>
    </Card>
  );
}
