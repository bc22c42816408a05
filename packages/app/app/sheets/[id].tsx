import { doubtsOf, type Sheet } from '@holvek/core';
import { format } from 'date-fns/format';
import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { XStack } from '@/ui/kit';
import { api } from '@/data/api';
import { useGauges, useSheets } from '@/data/queries';
import { CountersignCard, CountersignForm } from '@/countersign/countersign-card';
import { useCountersigns } from '@/countersign/use-countersign';
import { PhotosCard } from '@/photo/photos-card';
import { ScoreCard } from '@/practice/score-card';
import { UnitsOfValve, useNamedValve } from '@/units/units-of-valve';
import { Screen } from '@/shell/screen';
import { DoubtCard } from '@/sheet/doubt-card';
import { EvidenceCard } from '@/sheet/evidence-card';
import { canSharePdf, sharePdf, takeAway, type Ending } from '@/sheet/paper/take-away';
import { ReviseSheet } from '@/sheet/revise-sheet';
import { ReportView } from '@/report/report-view';
import { localDay } from '@/ui/local-day';
import { BigButton, WordButton } from '@/ui/press';
import { Loading, Trouble } from '@/ui/states';
import { Muted } from '@/ui/words';

const endings = ['pdf', 'csv', 'json'] as const;

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
  if (sheet) return <SignedSheet sheet={sheet} />;
  if (!fetched.isError) return <Loading what="Fetching the sheet" />;
  return (
    <Screen title="Sheet" back>
      <Trouble
        title="This sheet is not here"
        say="The server does not know it or cannot be reached."
        onRetry={() => void fetched.refetch()}
      />
    </Screen>
  );
}

function SignedSheet({ sheet }: { readonly sheet: Sheet }) {
  const [taking, setTaking] = useState<Ending>();
  const [hasFailed, setFailed] = useState(false);
  const gauges = useGauges().data ?? [];
  const secondOf = useCountersigns();
  const named = useNamedValve();
  const [isRevising, setRevising] = useState(false);
  const { body } = sheet;
  const beside = { doubts: doubtsOf(body, gauges, localDay), second: secondOf(sheet) };
  const take = async (ending: Ending) => {
    setTaking(ending);
    setFailed(false);
    await takeAway(sheet, ending, beside)
      .catch(() => setFailed(true))
      .finally(() => setTaking(undefined));
  };
  return (
    <Screen
      title={body.valve_tag}
      under={`as-left sheet · ${format(body.signed_at_ms, 'd MMM yyyy, HH:mm')}`}
      back
      practice={body.rehearsal}
      footer={
        <>
          {endings.map((ending) => (
            <BigButton
              key={ending}
              flex={1}
              kind="outline"
              disabled={taking !== undefined}
              onPress={() => void take(ending)}
            >
              {taking === ending ? 'Writing …' : ending.toUpperCase()}
            </BigButton>
          ))}
        </>
      }
    >
      {hasFailed ? (
        <Trouble
          title="Not written"
          say="The file could not be made. The sheet is safe as it is."
        />
      ) : null}
      <DoubtCard body={body} />
      <CountersignCard sheet={sheet} />
      <ScoreCard sheet={sheet} />
      <UnitsOfValve valve={named(body.valve_id, body.plate.family)}>
        <ReportView body={body} />
      </UnitsOfValve>
      <EvidenceCard sheet={sheet} />
      {body.rehearsal ? null : <PhotosCard valveId={body.valve_id} />}
      <CountersignForm sheet={sheet} />
      {asides(body).map((note) => (
        <Muted key={note}>{note}</Muted>
      ))}
      <XStack flexWrap="wrap" justifyContent="space-between">
        {body.rehearsal ? null : (
          <WordButton onPress={() => setRevising(true)}>correct by a new revision</WordButton>
        )}
        {canSharePdf() ? (
          <WordButton onPress={() => void sharePdf(sheet, beside).catch(() => setFailed(true))}>
            share the PDF
          </WordButton>
        ) : null}
      </XStack>
      <ReviseSheet sheet={sheet} isOpen={isRevising} onClose={() => setRevising(false)} />
    </Screen>
  );
}

/** What was noted, and what was left out and why. */
const asides = ({ notes, skipped }: Sheet['body']): readonly string[] => [
  ...notes,
  ...skipped.map(({ step_id, reason }) => `Left out ${step_id.replaceAll('_', ' ')}: ${reason}`),
];
