import {
  faultsOf,
  namedCauses,
  needsAnswer,
  SOUND_NAME,
  type Score,
  type Sheet,
  type SheetBody,
} from '@holvek/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api } from '@/data/api';
import { Card, Pill, Row } from '@/ui/card';
import { Choice } from '@/ui/field';
import { XStack, YStack } from '@/ui/kit';
import { Heading, Muted, Words } from '@/ui/words';
import { scoreInWorker } from './client';
import { keepHandLine, keptScore, useHandLog, type HandLine } from './hand-log';
import { MovesCard } from './moves-card';
import { faultsSentence, foundSentence, scoreRows, scoreTone } from './score-words';

/** How a practised run compares with the master's on the same twin. */
export function ScoreCard({ sheet: { id, body } }: { readonly sheet: Sheet }) {
  const kept = useHandLog().find(({ sheet }) => sheet === id);
  const named = kept?.named;
  const score = useQuery({
    queryKey: ['score', id, named ?? null],
    queryFn: async () => {
      const { events } = await api.run(body.run_id);
      return (await scoreInWorker(events, { provedWell: !needsAnswer(body), named })) ?? null;
    },
    enabled: body.rehearsal,
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: (before) => before,
  });
  useKept(id, body, named, score.isPlaceholderData ? undefined : score.data);
  if (!body.rehearsal) return null;
  if (score.isPending) return <Muted>Rehearsing the master’s way …</Muted>;
  if (!score.data)
    return <Muted>The run itself is not here, so it cannot be scored: it wants a network.</Muted>;
  return (
    <>
      <Scored
        score={score.data}
        body={body}
        named={named}
        onName={(cause) => keepHandLine({ ...lineOf(id, body), named: cause })}
      />
      <MovesCard score={score.data} />
    </>
  );
}

const lineOf = (
  sheet: string,
  { technician: hand, plate: { family }, signed_at_ms: at_ms }: SheetBody,
): HandLine => ({ sheet, hand, family, at_ms });

/** A score goes into the log of its hand. */
function useKept(
  id: string,
  body: SheetBody,
  named: string | undefined,
  score: Score | null | undefined,
): void {
  useEffect(() => {
    if (!score) return;
    keepHandLine({ ...lineOf(id, body), ...(named ? { named } : {}), score: keptScore(score) });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- a signed sheet never changes
  }, [id, named, score]);
}

const Scored = ({
  score,
  body,
  named,
  onName,
}: {
  readonly score: Score;
  readonly body: SheetBody;
  readonly named: string | undefined;
  readonly onName: (cause: string) => void;
}) => {
  const rows = scoreRows(score);
  const isHidden = named === undefined && faultsOf(body).length > 0;
  return (
    <Card testID="score">
      <XStack justifyContent="space-between" alignItems="center">
        <Heading>Your hand, and a master’s</Heading>
        <Pill tone={scoreTone(score)}>{`${score.points} of 100`}</Pill>
      </XStack>
      {rows.map(([label, say], i) => (
        <Row key={label} label={label} isLast={i === rows.length - 1}>
          {say}
        </Row>
      ))}
      {isHidden ? (
        <NameIt family={body.plate.family} onName={onName} />
      ) : (
        <Words>{`${faultsSentence(score)} ${foundSentence(score)}`.trim()}</Words>
      )}
      <Muted>
        The master follows the coach to the letter, on the same twin from the same start.
      </Muted>
    </Card>
  );
};

/** Asked before it is told: what was wrong, by the causes of its kind. */
const NameIt = ({
  family,
  onName,
}: {
  readonly family: string;
  readonly onName: (cause: string) => void;
}) => (
  <YStack gap="$2">
    <Choice
      label="What was wrong with it? Said once; then it is told."
      value=""
      onChange={onName}
      options={[
        { value: SOUND_NAME, say: 'Nothing' },
        ...namedCauses(family).map(({ id, title }) => ({ value: id, say: title })),
      ]}
    />
  </YStack>
);
