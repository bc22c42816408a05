import {
  endsLeft,
  endWord,
  needsAnswer,
  openEndsOf,
  outcomeWord,
  proofWord,
  type Run,
  type ValveVisit,
} from '@holvek/core';
import { useRouter } from 'expo-router';
import { Card } from '@/ui/card';
import { WordButton } from '@/ui/press';
import { Strong, Words } from '@/ui/words';

/** What the last visit left to come back for. */
export function AnswerCard({ body }: { readonly body: ValveVisit['body'] }) {
  if (!needsAnswer(body)) return null;
  const { out_of_service_because: because, ended } = body;
  const word = outcomeWord(body);
  const failed = (body.proofs ?? []).filter(({ verdict }) => verdict.startsWith('fail'));
  return (
    <Card tone="stop" role="alert">
      <Strong color="$onVermilionSoft">{`${word[0]!.toUpperCase()}${word.slice(1)}`}</Strong>
      {because ? <Words color="$onVermilionSoft">{because}</Words> : null}
      {ended ? (
        <Words color="$onVermilionSoft">{`${endWord[ended.why]}: ${ended.reason}`}</Words>
      ) : null}
      {failed.map(({ proof, adjuster }) => (
        <Words key={`${proof} ${adjuster ?? ''}`} color="$onVermilionSoft">
          {`${proofWord[proof]}: failed`}
        </Words>
      ))}
      {endsLeft(body).map(({ id, say, reason }) => (
        <Words key={id} color="$onVermilionSoft">
          {`Left open: ${say}${reason ? `, ${reason}` : ''}`}
        </Words>
      ))}
    </Card>
  );
}

/** Runs that were given up before everything was back: they stay here until somebody has put it back. */
export function GivenUpCard({ runs }: { readonly runs: readonly Run[] }) {
  const router = useRouter();
  return runs.map((run) => (
    <Card key={run.id} tone="stop" role="alert">
      <Strong color="$onVermilionSoft">Given up, not put back</Strong>
      {openEndsOf(run).map(({ id, say }) => (
        <Words key={id} color="$onVermilionSoft">
          {say}
        </Words>
      ))}
      <WordButton tone="$vermilion" onPress={() => router.push(`/runs/${run.id}`)}>
        put it back
      </WordButton>
    </Card>
  ));
}
