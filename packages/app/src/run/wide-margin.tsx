import { isInstrument, judgeOf, roleOf, targetOf, type Step } from '@holvek/core';
import { ScrollView, XStack, YStack } from '@/ui/kit';
import { LineDiagram } from '@/step/parts/line-diagram';
import { TraceChart } from '@/step/parts/trace-chart';
import { useDesk } from '@/desk/use-desk';
import { latest, useTrace } from '@/gauge-link/trace';
import { Card, Pill, Row } from '@/ui/card';
import { Heading, Muted, Words } from '@/ui/words';

/** A plain step that moves something draws the line on its own card. */
const showsLine = ({ kind, does }: Step): boolean =>
  does !== undefined &&
  (kind === 'act' || kind === 'check' || kind === 'caution' || kind === 'wait');

/** Beside the step when there is room: what stands open, the trace, the reasons. */
export function WideMargin() {
  const { run, view, trace, isLinked, units } = useDesk();
  const seen = useTrace(trace);
  const target = targetOf(run.started, view.step?.adjuster ?? 'main') ?? run.started.target;
  const role = roleOf(view.step) ?? judgeOf(run.started.plate);
  const first = run.procedure.causes[0];
  const outer = role === 'outlet' ? 'inlet' : 'outlet';
  const lane = {
    lower: target.set_point_pa - target.tolerance_pa,
    upper: target.set_point_pa + target.tolerance_pa,
  };
  const other = latest(seen, outer);
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
            <Pill tone={view.openEnds.length ? 'work' : 'good'}>
              {String(view.openEnds.length)}
            </Pill>
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
            <Heading>{`${role === 'outlet' ? 'Outlet' : 'Inlet'}, last 4 minutes`}</Heading>
            <TraceChart
              samples={seen.samples[role]}
              lane={lane}
              label="Pressure, last four minutes"
            />
            {run.gauges[outer] ? (
              <Row label={outer === 'inlet' ? 'Inlet' : 'Outlet'}>
                {other ? units.withUnit(other.value, run.gauges[outer].resolution_pa) : '–'}
              </Row>
            ) : null}
            {isInstrument(run.started.plate) ? null : (
              <>
                <Row label="Flow">{seen.sight ? units.flowWithUnit(seen.sight.flow) : '–'}</Row>
                <Row label="Pilot vent" isLast>
                  {seen.sight ? (seen.sight.ventRuns ? 'runs' : 'quiet') : '–'}
                </Row>
              </>
            )}
          </YStack>
        ) : null}
        {view.step && showsLine(view.step) ? null : (
          <LineDiagram ground="background" {...(view.step?.does ? { next: view.step.does } : {})} />
        )}
        <YStack gap="$1">
          <Heading>Why this number</Heading>
          <Words color="$muted">{target.why}</Words>
          <Muted>{`Never above ${units.withUnit(target.limit_pa, 1000)}.`}</Muted>
        </YStack>
        <YStack gap="$1">
          <Heading>If it doesn’t answer</Heading>
          <Words color="$muted">{first ? `${first.tell} ${first.doThis}` : ''}</Words>
        </YStack>
      </YStack>
    </ScrollView>
  );
}
