import { judgingGauge, type SheetBody } from '@holvek/core';
import { Card, Row } from '@/ui/card';
import { Heading, Muted, Words } from '@/ui/words';
import { CycleChart } from '@/run/cycle-chart';
import { useUnits } from '@/settings/use-units';

/** Cracking and reseat over the proving cycles, drawn and in figures. */
export function CrackingCard({ body }: { readonly body: SheetBody }) {
  const units = useUnits();
  const { cracking } = body;
  if (!cracking) return null;
  const step = judgingGauge(body)?.resolution_pa ?? 1000;
  const share = (value: number | null) => (value === null ? 'not marked' : `${(value * 100).toFixed(1)} %`);
  const { set_point_pa: target, tolerance_pa: tolerance, limit_pa: limit } = body.target;
  return (
    <Card>
      <Heading>{`${cracking.cycles.length} ${cracking.cycles.length === 1 ? 'cycle' : 'cycles'}`}</Heading>
      <CycleChart
        cycles={cracking.cycles.map(({ cracked_pa, full_flow_pa, reseated_pa }, i) => ({
          cycle: i + 1,
          cracked: cracked_pa ?? undefined,
          fullFlow: full_flow_pa ?? undefined,
          reseated: reseated_pa ?? undefined,
        }))}
        lane={{ lower: target - tolerance, upper: target + tolerance }}
        limit={limit}
        resolution={step}
        height={170}
      />
      <Row label="Cracks at">{`${units.withUnit(cracking.cracking_pa, step)}, within ${units.figure(cracking.cracking_spread_pa, step)}`}</Row>
      <Row label="Reseats at">
        {cracking.reseat_pa === null
          ? 'not seen'
          : `${units.withUnit(cracking.reseat_pa, step)}, within ${units.figure(cracking.reseat_spread_pa, step)}`}
      </Row>
      <Row label="Blowdown">{share(cracking.blowdown)}</Row>
      <Row label="Overpressure" isLast>
        {share(cracking.overpressure)}
      </Row>
      {cracking.blowdown !== null && cracking.blowdown > body.house_rules.blowdown_most ? (
        <Words color="$vermilion">{`Blowdown over the house rule of ${(body.house_rules.blowdown_most * 100).toFixed(0)} %.`}</Words>
      ) : null}
      <Muted>
        {cracking.source === 'log' ? 'Found in a log by fitting straight pieces.' : 'Marked by eye.'}
      </Muted>
    </Card>
  );
}
