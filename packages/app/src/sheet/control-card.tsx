import type { SheetBody } from '@holvek/core';
import { useUnits } from '@/settings/use-units';
import { Card, Row } from '@/ui/card';
import { Heading } from '@/ui/words';
import { spanWords } from '@/valve/aim-words';

/** A controller’s alignment, its process and what was dialled. */
export function ControlCard({ control }: { readonly control: NonNullable<SheetBody['control']> }) {
  const units = useUnits();
  const { model } = control;
  return (
    <Card>
      <Heading>Control</Heading>
      <Row label="Band">{`${control.band_percent} %`}</Row>
      <Row label="Reset">{`${control.reset_minutes} min a repeat`}</Row>
      <Row label="Alignment">{`± ${units.withUnit(control.alignment_spread_pa, 100)}, pointers ${spanWords(Math.abs(control.alignment_offset), 2)} apart`}</Row>
      <Row label="Process" isLast>
        {model ? `gain ${model.gain.toFixed(2)}, ${model.time_constant_s.toFixed(0)} s, dead ${model.dead_time_s.toFixed(0)} s` : 'not tested'}
      </Row>
    </Card>
  );
} // prettier-ignore
