import { readingRowsOf, sheetFile, sheetFileName, writeReadingsCsv } from '@holvek/core';
import { format } from 'date-fns/format';
import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { XStack } from 'tamagui';
import { api } from '@/data/api';
import { useSheets } from '@/data/queries';
import { useOutbox } from '@/data/store';
import { Screen } from '@/shell/screen';
import { EvidenceCard } from '@/sheet/evidence-card';
import { ReviseSheet } from '@/sheet/revise-sheet';
import { ReportView } from '@/report/report-view';
import { saveText } from '@/ui/files';
import { BigButton, WordButton } from '@/ui/press';
import { Loading, Trouble } from '@/ui/states';
import { Muted } from '@/ui/words';

/** One signed sheet: what it says, how to take it away, and that it has not been touched. */
export default function SheetScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const kept = useSheets().data?.find((sheet) => sheet.id === id);
  const fetched = useQuery({
    queryKey: ['sheet', id],
    queryFn: () => api.sheet(id),
    enabled: !kept,
  });
  const sheet = kept ?? fetched.data;
  const { isReachable } = useOutbox();
  const [isRevising, setRevising] = useState(false);
  if (!sheet)
    return fetched.isError ? (
      <Screen title="Sheet" back>
        <Trouble
          title="This sheet is not here"
          say="The server does not know it or cannot be reached."
          onRetry={() => void fetched.refetch()}
        />
      </Screen>
    ) : (
      <Loading what="Fetching the sheet" />
    );
  const { body } = sheet;
  const save = (ending: 'pdf' | 'csv' | 'json') => {
    if (isReachable) return window.location.assign(`/api/sheets/${sheet.id}.${ending}`);
    if (ending === 'csv')
      saveText(sheetFileName(body, 'csv'), writeReadingsCsv(readingRowsOf(body)), 'text/csv');
    if (ending === 'json')
      saveText(
        sheetFileName(body, 'json'),
        JSON.stringify(sheetFile(sheet), null, 2),
        'application/json',
      );
  };
  return (
    <Screen
      title={body.valve_tag}
      under={`as-left sheet · ${format(body.signed_at_ms, 'd MMM yyyy, HH:mm')}`}
      back
      practice={body.rehearsal}
      footer={
        <>
          <BigButton flex={1} kind="outline" disabled={!isReachable} onPress={() => save('pdf')}>
            {isReachable ? 'PDF' : 'PDF: on line'}
          </BigButton>
          <BigButton flex={1} kind="outline" onPress={() => save('csv')}>
            CSV
          </BigButton>
          <BigButton flex={1} kind="outline" onPress={() => save('json')}>
            JSON
          </BigButton>
        </>
      }
    >
      <ReportView body={body} />
      <EvidenceCard sheet={sheet} />
      {[
        ...body.notes,
        ...body.skipped.map(
          ({ step_id, reason }) => `Left out ${step_id.replaceAll('_', ' ')}: ${reason}`,
        ),
      ].map((note) => (
        <Muted key={note}>{note}</Muted>
      ))}
      {body.rehearsal ? null : (
        <XStack>
          <WordButton onPress={() => setRevising(true)}>correct by a new revision</WordButton>
        </XStack>
      )}
      <ReviseSheet sheet={sheet} isOpen={isRevising} onClose={() => setRevising(false)} />
    </Screen>
  );
}
