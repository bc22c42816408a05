import { needsAnswer, type Score, type Sheet } from '@holvek/core';
import { useQuery } from '@tanstack/react-query';
import { api } from '@/data/api';
import { Card, Pill, Row } from '@/ui/card';
import { XStack } from '@/ui/kit';
import { Heading, Muted, Words } from '@/ui/words';
import { scoreInWorker } from './client';
import { faultsSentence, scoreRows, scoreTone } from './score-words';

/** How a practised run compares with the master's on the same twin. */
export function ScoreCard({ sheet: { id, body } }: { readonly sheet: Sheet }) {
  const score = useQuery({
    queryKey: ['score', id],
    queryFn: async () => {
      const { events } = await api.run(body.run_id);
      return (await scoreInWorker(events, !needsAnswer(body))) ?? null;
    },
    enabled: body.rehearsal,
    staleTime: Number.POSITIVE_INFINITY,
  });
  if (!body.rehearsal) return null;
  if (score.isPending) return <Muted>Rehearsing the master’s way …</Muted>;
  if (!score.data)
    return <Muted>The run itself is not here, so it cannot be scored: it wants a network.</Muted>;
  return <Scored score={score.data} />;
}

const Scored = ({ score }: { readonly score: Score }) => {
  const rows = scoreRows(score);
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
      <Words>{faultsSentence(score)}</Words>
      <Muted>
        The master follows the coach to the letter, on the same twin from the same start.
      </Muted>
    </Card>
  );
};
