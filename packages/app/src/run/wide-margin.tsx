import { ScrollView, XStack, YStack } from 'tamagui';
import { TraceChart } from './trace-chart';
import { useDesk } from './use-desk';
import { latest, useTrace } from '@/gauge-link/trace';
import { Card, Pill, Row } from '@/ui/card';
import { Heading, Muted, Words } from '@/ui/words';

/** Beside the step when there is room: what stands open, the trace, the reasons. */
export function WideMargin() {
  const { run, view, trace, isLinked, units } = useDesk();
  const seen = useTrace(trace);
  const { target } = run.started;
  const lane = {
    lower: target.set_point_pa - target.tolerance_pa,
    upper: target.set_point_pa + target.tolerance_pa,
  };
  const inlet = latest(seen, 'inlet');
  return (
    <ScrollView
      width="$margin"
      maxWidth="$margin"
      role="complementary"
      aria-label="Open ends, trace and reasons"
    >
      <YStack padding="$4" gap="$4">
        <YStack gap="$2">
          <XStack gap="$2" alignItems="center">
            <Heading>Open ends</Heading>
            <Pill tone={view.openEnds.length ? 'work' : 'good'}>{String(view.openEnds.length)}</Pill>
          </XStack>
          {view.openEnds.length > 0 ? (
            <Card padding="$3">
              {view.openEnds.map((end) => (
                <Words key={end.id}>{end.say}</Words>
              ))}
            </Card>
          ) : (
            <Muted>Nothing is moved.</Muted>
          )}
        </YStack>
        {isLinked ? (
          <YStack gap="$2">
            <Heading>Outlet, last 4 minutes</Heading>
            <TraceChart
              samples={seen.samples.outlet}
              lane={lane}
              label="Outlet pressure, last four minutes"
            />
            <Row label="Inlet">
              {inlet ? units.withUnit(inlet.value, run.gauges.inlet?.resolution_pa) : '–'}
            </Row>
            <Row label="Flow">{seen.sight ? units.flowWithUnit(seen.sight.flow) : '–'}</Row>
            <Row label="Pilot vent" isLast>
              {seen.sight ? (seen.sight.ventRuns ? 'runs' : 'quiet') : '–'}
            </Row>
          </YStack>
        ) : null}
        <YStack gap="$1">
          <Heading>Why this number</Heading>
          <Words color="$muted">{target.why}</Words>
          <Muted>{`Never above ${units.withUnit(target.limit_pa, 1000)}.`}</Muted>
        </YStack>
        <YStack gap="$1">
          <Heading>If it doesn’t answer</Heading>
          <Words color="$muted">
            No vent flow and no rise: the valve is wide open and the main is filling. Wait, don’t wind on.
          </Words>
        </YStack>
      </YStack>
    </ScrollView>
  );
}
