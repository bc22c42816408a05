import { printTurns, type SheetBody, type Verdict } from '@holvek/core';
import { XStack, YStack } from 'tamagui';
import { LaneStrip } from '@/run/lane-strip';
import { useUnits } from '@/settings/use-units';
import { Card, Pill, Row, type Tone } from '@/ui/card';
import { BigFigure, Muted, Words } from '@/ui/words';

export const verdictWord: Record<Verdict, string> = {
  pass: 'pass, guarded',
  pass_without_margin: 'pass, no margin',
  fail_without_margin: 'fail, no margin',
  fail: 'fail',
};
export const verdictTone: Record<Verdict, Tone> = {
  pass: 'good',
  pass_without_margin: 'work',
  fail_without_margin: 'stop',
  fail: 'stop',
};

/** What a sheet says, as it stands or as it would be signed. */
export function SheetSummary({ body }: { readonly body: SheetBody }) {
  const units = useUnits();
  const step = body.gauges.outlet?.resolution_pa ?? 1000;
  const { target } = body;
  const closed = body.open_ends.filter(({ state }) => state === 'closed').length;
  const left = body.open_ends.filter(({ state }) => state === 'left');
  const isOutOfDate = body.gauge_findings.includes('gauge.out_of_date');
  return (
    <YStack gap="$3">
      <Card>
        <XStack justifyContent="space-between" flexWrap="wrap" gap="$2">
          <YStack>
            <Muted>as left</Muted>
            <BigFigure fontSize="$8" lineHeight="$8">
              {units.figure(body.as_left_pa, step)}
            </BigFigure>
          </YStack>
          <YStack alignItems="flex-end">
            <Muted>as found</Muted>
            <BigFigure fontSize="$8" lineHeight="$8" color="$muted">
              {body.as_found_pa === null ? '–' : units.figure(body.as_found_pa, step)}
            </BigFigure>
          </YStack>
        </XStack>
        <XStack justifyContent="space-between" alignItems="center" gap="$2">
          <Words
            color="$muted"
            flexShrink={1}
          >{`${units.pressure} · target ${units.figure(target.set_point_pa, step)} ± ${units.figure(target.tolerance_pa)}`}</Words>
          <Pill tone={verdictTone[body.verdict]}>{verdictWord[body.verdict]}</Pill>
        </XStack>
        {body.dots.length > 1 ? (
          <LaneStrip
            aim={{
              target: target.set_point_pa,
              lower: target.set_point_pa - target.tolerance_pa,
              upper: target.set_point_pa + target.tolerance_pa,
              limit: target.limit_pa,
              approach: 'from_below',
              guard: 0,
              chancePastLane: 0,
              chancePastLimit: 0,
              largestTurn: 0,
            }}
            dots={body.dots.map(({ pressure_pa, turns }, i) => ({
              pressure: pressure_pa,
              turns,
              inControl: true,
              atMs: i,
            }))}
            move={undefined}
            live={undefined}
            resolution={step}
            height={210}
          />
        ) : null}
      </Card>
      <Card>
        <Row label="Adjuster">{`${printTurns(body.turns_net)} turn ${body.turns_net < 0 ? 'anticlockwise' : 'clockwise'}${body.rate_pa_per_turn === null ? '' : ` · ${units.figure(Math.abs(body.rate_pa_per_turn))} a turn`}`}</Row>
        <Row label="Droop">{body.droop_pa === null ? 'not read' : units.withUnit(body.droop_pa, step)}</Row>
        <Row label="No flow">
          {body.no_flow
            ? `${units.withUnit(body.no_flow.rise_pa, step)}, ${body.no_flow.shape === 'creeps' ? 'creeps' : 'levels'}`
            : 'not read'}
        </Row>
        <Row label="Gauge">
          {body.gauges.outlet
            ? `${body.gauges.outlet.tag} · ± ${units.figure(body.uncertainty_pa, 100)} · ${isOutOfDate ? 'OUT OF DATE' : `to ${body.gauges.outlet.calibration_due_on}`}`
            : 'none'}
        </Row>
        <Row
          label="Open ends"
          isLast={left.length === 0}
        >{`${body.open_ends.length} opened, ${closed} put back`}</Row>
        {left.map(({ id, say, reason }) => (
          <Words key={id} color="$vermilion">{`Left open: ${say}. ${reason ?? ''}`}</Words>
        ))}
      </Card>
    </YStack>
  );
}
