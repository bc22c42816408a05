import {
  boundFigures,
  isInstrument,
  judgeOf,
  roleOf,
  targetOf,
  type GaugeRole,
  type Step,
  type Target,
} from '@holvek/core';
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
  const { run, view, isLinked, units } = useDesk();
  const target = targetOf(run.started, view.step?.adjuster ?? 'main') ?? run.started.target;
  const role = roleOf(view.step) ?? judgeOf(run.started.plate);
  const first = run.procedure.causes[0];
  return (
    <ScrollView
      width="$margin"
      maxWidth="$margin"
      role="complementary"
      aria-label="Open ends, trace and reasons"
      tabIndex={0}
    >
      <YStack padding="$4" gap="$4">
        <OpenEnds />
        {isLinked ? <Linked role={role} lane={laneOf(target)} /> : null}
        {view.step && showsLine(view.step) ? null : (
          <LineDiagram ground="background" {...(view.step?.does ? { next: view.step.does } : {})} />
        )}
        <YStack gap="$1">
          <Heading>Why this number</Heading>
          <Words color="$muted">{boundFigures(target.why)}</Words>
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

const laneOf = ({ set_point_pa: set, tolerance_pa: tolerance }: Target) => ({
  lower: set - tolerance,
  upper: set + tolerance,
});

function OpenEnds() {
  const { openEnds } = useDesk().view;
  return (
    <YStack gap="$2">
      <XStack gap="$2" alignItems="center">
        <Heading>Open ends</Heading>
        <Pill tone={openEnds.length ? 'work' : 'good'}>{String(openEnds.length)}</Pill>
      </XStack>
      {openEnds.length > 0 ? (
        <Card padding="$3">
          {openEnds.map((end) => (
            <Words key={end.id}>{end.say}</Words>
          ))}
        </Card>
      ) : (
        <Muted>Nothing is moved.</Muted>
      )}
    </YStack>
  );
}

/** The trace of the gauge that judges, what the other shows, and what is to be seen of the line. */
function Linked({
  role,
  lane,
}: {
  readonly role: GaugeRole;
  readonly lane: ReturnType<typeof laneOf>;
}) {
  const { run, trace, units } = useDesk();
  const seen = useTrace(trace);
  const outer = role === 'outlet' ? 'inlet' : 'outlet';
  const other = latest(seen, outer);
  return (
    <YStack gap="$2">
      <Heading>{`${role === 'outlet' ? 'Outlet' : 'Inlet'}, last 4 minutes`}</Heading>
      <TraceChart samples={seen.samples[role]} lane={lane} label="Pressure, last four minutes" />
      {run.gauges[outer] ? (
        <Row label={outer === 'inlet' ? 'Inlet' : 'Outlet'}>
          {other ? units.withUnit(other.value, run.gauges[outer].resolution_pa) : '–'}
        </Row>
      ) : null}
      {isInstrument(run.started.plate) ? null : <LineSight sight={seen.sight} />}
    </YStack>
  );
}

function LineSight({ sight }: { readonly sight: ReturnType<typeof useTrace>['sight'] }) {
  const { units } = useDesk();
  const vent = sight?.ventRuns ? 'runs' : 'quiet';
  return (
    <>
      <Row label="Flow">{sight ? units.flowWithUnit(sight.flow) : '–'}</Row>
      <Row label="Pilot vent" isLast>
        {sight ? vent : '–'}
      </Row>
    </>
  );
}
