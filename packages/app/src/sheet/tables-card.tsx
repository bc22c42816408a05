import { isInstrument, type SheetBody } from '@holvek/core';
import { XStack, YStack } from 'tamagui';
import { verdictTone, verdictWord } from './outcome';
import { PointChart } from '@/run/point-chart';
import { toChart } from '@/run/steps/points-step';
import { useUnits } from '@/settings/use-units';
import { BigNumber } from '@/ui/big-number';
import { Card, Pill, Row } from '@/ui/card';
import { Muted, Words } from '@/ui/words';
import { spanWords } from '@/valve/aim-words';
import { signalWithUnit } from '@/words/signal-words';

/** As found and as left over the whole range, with what the points come to. */
export function TablesCard({ body }: { readonly body: SheetBody }) {
  const units = useUnits();
  const { tables, plate } = body;
  if (!tables || !isInstrument(plate)) return null;
  const { as_found: found, as_left: left } = tables;
  const end = (si: number) => signalWithUnit(plate.input.kind, si, units);
  return (
    <>
      <Card>
        <XStack justifyContent="space-between" flexWrap="wrap" gap="$2">
          <YStack>
            <Muted>largest error left</Muted>
            <BigNumber fontSize="$8" lineHeight="$8">
              {spanWords(left.worst_error)}
            </BigNumber>
          </YStack>
          <YStack alignItems="flex-end">
            <Muted>found</Muted>
            <BigNumber fontSize="$8" lineHeight="$8" color="$muted">
              {found ? spanWords(found.worst_error) : '–'}
            </BigNumber>
          </YStack>
        </XStack>
        <XStack justifyContent="space-between" alignItems="center" gap="$2">
          <Words color="$muted" flexShrink={1}>{`of span · allowed ± ${spanWords(tables.tolerance)}`}</Words>
          <Pill tone={verdictTone[tables.verdict]}>{verdictWord[tables.verdict]}</Pill>
        </XStack>
        <PointChart
          tolerance={tables.tolerance}
          points={left.points.map(toChart)}
          {...(found
            ? { found: found.points.filter(({ direction }) => direction === 'up').map(toChart) }
            : {})}
          ends={[end(plate.input.low), end(plate.input.high)]}
        />
      </Card>
      <Card>
        <Row label="Zero, span">{`${spanWords(left.zero_error)}, ${spanWords(left.span_error)}`}</Row>
        <Row label="Hysteresis">{left.hysteresis === null ? '–' : spanWords(left.hysteresis)}</Row>
        {left.repeatability === undefined ? null : (
          <Row label="Repeatability">{spanWords(left.repeatability, 2)}</Row>
        )}
        {left.dead_band === undefined ? null : <Row label="Dead band">{spanWords(left.dead_band, 2)}</Row>}
        <Row label="Linearity, best line">{spanWords(left.linearity_independent)}</Row>
        <Row label="Linearity, ends · zero">{`${spanWords(left.linearity_terminal)} · ${spanWords(left.linearity_zero)}`}</Row>
        <Row label="Uncertainty, k = 2" isLast>{`± ${spanWords(tables.uncertainty, 2)}`}</Row>
      </Card>
    </>
  );
}
