import {
  budgetOf,
  copperOf,
  defaultInstrumentRules,
  hasElectronics,
  logDays,
  registersCsv,
  type CablePlate,
  type Valve,
} from '@holvek/core';
import { useHouseRules } from '@/data/queries';
import { Card, Row } from '@/ui/card';
import { saveText } from '@/ui/files';
import { WordButton } from '@/ui/press';
import { Heading, Muted } from '@/ui/words';

/** The electronics of a pilot: cables by the plate, the log, and its register map to take away. */
export function DeviceCard({ valve: { tag, plate, target } }: { readonly valve: Valve }) {
  const rules = useHouseRules();
  if (!hasElectronics(plate)) return null;
  const { loop_headroom_v: headroom } = rules.instruments ?? defaultInstrumentRules;
  const copper = copperOf(rules);
  const take = () =>
    saveText(
      `${tag}-registers.csv`,
      registersCsv({
        application: plate.application === 'reducing' ? 1 : 2,
        range_low: plate.input.low,
        range_high: plate.input.high,
        set_value: target.set_point_pa,
        log_interval: plate.log_interval_s,
      }),
      'text/csv',
    );
  return (
    <Card>
      <Heading>Electronics</Heading>
      <Row label="Sensor loop">{cableWords(plate.loop, { headroom, copper })}</Row>
      <Row label="Actuator supply">{cableWords(plate.power, { headroom: 0, copper })}</Row>
      <Row label="Card lasts" isLast>
        {`${Math.floor(logDays({ card_bytes: plate.card_bytes, interval_s: plate.log_interval_s }))} days at ${plate.log_interval_s} s`}
      </Row>
      <Muted>Wiring in hazardous areas is for licensed persons only.</Muted>
      <WordButton onPress={take}>register map as CSV</WordButton>
    </Card>
  );
}

function cableWords(needs: CablePlate, how: Parameters<typeof budgetOf>[1]): string {
  const budget = budgetOf(needs, how);
  if (!budget.ok) return 'figures missing';
  const { left } = budget.value;
  return left > 0 ? `${left.toFixed(1)} V left over` : `${Math.abs(left).toFixed(1)} V short`;
}
