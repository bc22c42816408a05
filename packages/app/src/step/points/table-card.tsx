import { deadBandKey, type PointsView, type PointTableError } from '@holvek/core';
import type { usePoint } from './use-point';
import { useDesk } from '@/desk/use-desk';
import { Card, Row } from '@/ui/card';
import { Words } from '@/ui/words';
import { spanWords } from '@/words/aim-words';

const tableTrouble: Record<PointTableError['code'], string> = {
  'prove.points_missing': 'Points are missing: without both ends there is no zero and no span.',
  'prove.point_twice': 'The same point stands there twice. Undo one of them.',
  'prove.points_out_of_order': 'The points are out of order. Undo back to the one that is wrong.',
  'prove.output_frozen': 'The output did not move at all. Is the air on, and does the link hold?',
  'prove.signal_reversed': 'The output went the other way. Is the action on the plate right?',
};

/** What a whole table comes to. */
export function TableCard({
  view: { table, passes },
  stepId,
  point,
}: {
  readonly view: PointsView;
  readonly stepId: string;
  readonly point: ReturnType<typeof usePoint>;
}) {
  const dead = useDesk().run.measured[deadBandKey(stepId)];
  if (!table.ok)
    return (
      <Card tone="stop" role="alert">
        <Words color="$onVermilionSoft">{tableTrouble[table.error.code]}</Words>
      </Card>
    );
  const { worst, zeroError, spanError, hysteresis, repeatability, linearity } = table.value;
  const lines = [linearity.independent, linearity.terminalBased, linearity.zeroBased];
  return (
    <Card>
      <Row label="Largest error">{`${spanWords(worst.error)} at ${point.signalSay(worst.at)}`}</Row>
      <Row label="Zero, span">{`${spanWords(zeroError)}, ${spanWords(spanError)}`}</Row>
      <Row label="Hysteresis">{hysteresis === undefined ? '–' : spanWords(hysteresis)}</Row>
      {repeatability === undefined ? null : (
        <Row label={`Repeatability, ${passes} times`}>{spanWords(repeatability, 2)}</Row>
      )}
      {dead === undefined ? null : <Row label="Dead band">{spanWords(dead, 2)}</Row>}
      <Row label="Linearity: best · ends · zero" isLast>
        {lines.map((share) => spanWords(share)).join(' · ')}
      </Row>
    </Card>
  );
}
