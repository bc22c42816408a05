import { DOUBT_TITLE, doubtsOf, doubtWords, type SheetBody } from '@holvek/core';
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
      <Strong color="$onVermilionSoft">{DOUBT_TITLE}</Strong>
      {doubts.map((doubt) => (
        <Words key={doubt.tag} color="$onVermilionSoft">
          {doubtWords(doubt, dayWords)}
        </Words>
      ))}
    </Card>
  );
}
