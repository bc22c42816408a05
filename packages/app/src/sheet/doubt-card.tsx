import { doubtsOf, type SheetBody } from '@holvek/core';
import { useGauges } from '@/data/queries';
import { Card } from '@/ui/card';
import { dayWords, localDay } from '@/ui/local-day';
import { Strong, Words } from '@/ui/words';

/** What has become known since of the gauges that a sheet rests on. */
export function DoubtCard({ body }: { readonly body: Pick<SheetBody, 'gauges' | 'signed_at_ms'> }) {
  const gauges = useGauges().data ?? [];
  const doubts = doubtsOf(body, gauges, localDay);
  if (doubts.length === 0) return null;
  return (
    <Card tone="stop" role="alert" testID="doubt">
      <Strong color="$onVermilionSoft">In doubt: read it again with another gauge</Strong>
      {doubts.map(({ tag, failure }) => (
        <Words key={tag} color="$onVermilionSoft">
          {`${tag} failed its check on ${dayWords(failure.on)}: ${failure.why}. What it has read since ${dayWords(failure.since)} cannot be vouched for.`}
        </Words>
      ))}
    </Card>
  );
}
