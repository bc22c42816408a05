import type { SheetBody } from '@holvek/core';
import { BandChart } from '@/run/band-chart';
import { EdgeChart } from '@/run/edge-chart';
import { aimBand } from '@/run/steps/switching-step';
import { useUnits } from '@/settings/use-units';
import { Card, Row } from '@/ui/card';
import { Heading } from '@/ui/words';

/** Edges of a flame with their margins, or the cycles of a switch. */
export function BandsCard({ body }: { readonly body: SheetBody }) {
  const units = useUnits();
  const { edges, switch_cycles: cycles, plate } = body;
  if (edges && plate.family === 'burner_pilot') {
    const left = edges.low_pa + edges.to_low_pa;
    const edge = (lit: number) => ({ lit, failed: undefined, at: lit, isFound: true });
    const span = edges.high_pa - edges.low_pa;
    return (
      <Card>
        <Heading>Lights between</Heading>
        <EdgeChart
          view={{
            search: { low: edge(edges.low_pa), high: edge(edges.high_pa), next: undefined, isDone: true, contradictions: 0 },
            middle: { ok: true, value: { pressure: left, toLow: edges.to_low_pa, toHigh: edges.to_high_pa } },
            lowest: Math.max(0, edges.low_pa - span / 2),
            highest: edges.high_pa + span / 2,
          }}
          lights={edges.lights.map(({ pressure_pa: pressure, lit, weak }) => ({ pressure, lit, weak }))}
          maker={{ low: plate.maker_low_pa, high: plate.maker_high_pa }}
          now={left}
        />
        <Row label="To the low edge">{units.withUnit(edges.to_low_pa)}</Row>
        <Row label="To the high edge">{units.withUnit(edges.to_high_pa)}</Row>
        <Row label="Lights" isLast>{`${edges.lights.length}, ${edges.lights.filter(({ lit }) => !lit).length} failed`}</Row>
      </Card>
    );
  }
  return cycles ? (
    <Card>
      <Heading>Cycles as left</Heading>
      <BandChart cycles={cycles.map(({ cut_in_pa: cutIn, cut_out_pa: cutOut }) => ({ cutIn, cutOut }))} aim={aimBand({ started: body })} live={undefined} resolution={body.gauges.inlet?.resolution_pa} />
    </Card>
  ) : null;
} // prettier-ignore
