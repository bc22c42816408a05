import { format } from 'date-fns/format';
import { formatDistanceToNowStrict } from 'date-fns/formatDistanceToNowStrict';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { XStack, YStack } from 'tamagui';
import { checkPlate, fittedSpring, openEndsOf } from '@holvek/core';
import { useHouseRules, useSheets, useValves } from '@/data/queries';
import { useShelf } from '@/data/store';
import { useUnits } from '@/settings/use-units';
import { Screen } from '@/shell/screen';
import { Card, Pill, Row } from '@/ui/card';
import { BigButton, Press, WordButton } from '@/ui/press';
import { Loading, Trouble } from '@/ui/states';
import { BigFigure, Heading, Muted, Strong, Words } from '@/ui/words';
import { HistoryChart } from '@/valve/history-chart';
import { TargetSheet } from '@/valve/target-sheet';
import { ValveGlyph } from '@/valve/valve-glyph';
import { driftOfValve, nextLook, openRunOf, sheetsOfValve, standingOf } from '@/valve/valve-state';
import { useNow } from '@/ui/use-now';
import { plateTrouble } from '@/words/trouble';

/** One valve: what it must hold and why, its plate, how it has fared, and the way into a run. */
export default function ValveScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const router = useRouter();
  const units = useUnits();
  const rules = useHouseRules();
  const shelf = useShelf();
  const valves = useValves();
  const sheets = useSheets().data ?? [];
  const now = useNow();
  const [isEditing, setEditing] = useState(false);
  const valve = valves.data?.find((each) => each.id === id);
  if (valves.isPending) return <Loading what="Fetching the valve" />;
  if (!valve)
    return (
      <Screen title="Valve" back>
        <Trouble
          title="No such valve"
          say={`There is no valve ${id} in the register.`}
          onRetry={() => void valves.refetch()}
        />
      </Screen>
    );
  const run = openRunOf(shelf, valve.id);
  const own = sheetsOfValve(sheets, valve.id);
  const drift = driftOfValve(valve, sheets);
  const standing = standingOf(valve, sheets, rules, run, now);
  const issues = checkPlate(valve.plate, valve.target);
  const stops = issues.some((issue) => issue.stops);
  const spring = fittedSpring(valve.plate);
  const due = nextLook(valve, sheets, rules);
  const rates = own.flatMap(({ body }) =>
    body.rate_pa_per_turn === null ? [] : [Math.abs(body.rate_pa_per_turn)],
  );
  const taught = rates.slice(-3);
  const turns =
    valve.plate.clockwise === 'unknown' ? 'not known which way' : `clockwise ${valve.plate.clockwise}`;
  return (
    <Screen
      title={valve.tag}
      under={`${valve.name} · ${valve.place}`}
      back
      right={
        <Pill
          tone={
            standing === 'in order'
              ? 'good'
              : standing === 'never set'
                ? 'quiet'
                : standing === 'in hand'
                  ? 'work'
                  : 'stop'
          }
        >
          {standing}
        </Pill>
      }
      footer={
        run ? (
          <BigButton
            flex={1}
            onPress={() => router.push(`/runs/${run.id}`)}
          >{`Carry on, ${openEndsOf(run).length} open ends`}</BigButton>
        ) : (
          <BigButton flex={1} disabled={stops} onPress={() => router.push(`/valves/${valve.id}/start`)}>
            Start setting
          </BigButton>
        )
      }
    >
      {run ? (
        <Card tone="work">
          <Strong>Moved and not put back</Strong>
          {openEndsOf(run).map((end) => (
            <Words key={end.id}>{end.say}</Words>
          ))}
        </Card>
      ) : null}
      {issues.map((issue) => (
        <Card key={issue.code} tone={issue.stops ? 'stop' : 'warn'} role={issue.stops ? 'alert' : 'note'}>
          <Words color={issue.stops ? '$onVermilionSoft' : '$onBrassSoft'}>
            {plateTrouble(issue, units)}
          </Words>
        </Card>
      ))}
      <Card>
        <XStack justifyContent="space-between" alignItems="center">
          <YStack>
            <Muted>holds, downstream</Muted>
            <XStack alignItems="baseline" gap="$2">
              <BigFigure fontSize="$8" lineHeight="$8">
                {units.figure(valve.target.set_point_pa, 1000)}
              </BigFigure>
              <Muted fontSize="$4">{`${units.pressure} ± ${units.figure(valve.target.tolerance_pa)}`}</Muted>
            </XStack>
          </YStack>
          <ValveGlyph />
        </XStack>
        <Words color="$muted">{valve.target.why}</Words>
        <XStack justifyContent="space-between" alignItems="center">
          <Muted>{`never above ${units.withUnit(valve.target.limit_pa, 1000)}`}</Muted>
          <WordButton onPress={() => setEditing(true)}>change target</WordButton>
        </XStack>
      </Card>
      {own.length > 0 ? (
        <Card>
          <XStack justifyContent="space-between">
            <Heading>{`Found and left, ${own.length} ${own.length === 1 ? 'visit' : 'visits'}`}</Heading>
            <Muted>{`lane ± ${units.figure(valve.target.tolerance_pa)}`}</Muted>
          </XStack>
          <HistoryChart valve={valve} sheets={own} drift={drift} />
          <Words color="$muted">{driftSay(drift, due)}</Words>
          {own.toReversed().map((sheet) => (
            <Press
              key={sheet.id}
              onPress={() => router.push(`/sheets/${sheet.id}`)}
              minHeight={48}
              justifyContent="center"
              borderTopWidth={1}
              borderColor="$line"
              aria-label={`Sheet of ${format(sheet.body.signed_at_ms, 'd MMM yyyy')}`}
            >
              <XStack justifyContent="space-between">
                <Words>{format(sheet.body.signed_at_ms, 'd MMM yyyy')}</Words>
                <Strong>{`${sheet.body.as_found_pa === null ? '–' : units.figure(sheet.body.as_found_pa, 1000)} to ${units.withUnit(sheet.body.as_left_pa, 1000)}`}</Strong>
              </XStack>
            </Press>
          ))}
        </Card>
      ) : null}
      <Card>
        <Row label="Adjuster">{`one, ${turns}`}</Row>
        <Row label="A turn gives">
          {taught.length
            ? `${units.withUnit(taught.reduce((a, b) => a + b, 0) / taught.length)} · ${taught.length} ${taught.length === 1 ? 'sheet' : 'sheets'}`
            : spring
              ? `${units.withUnit(spring.rate_pa_per_turn)}, by the chart`
              : 'not known'}
        </Row>
        <Row label="Spring">
          {spring
            ? `${spring.colour}, ${units.figure(spring.from_pa, 1000)} to ${units.withUnit(spring.to_pa, 1000)}`
            : 'not in the chart'}
        </Row>
        <Row label="Size">{`DN ${valve.plate.size_dn}`}</Row>
        <Row label="Outlet rating">{units.withUnit(valve.plate.outlet_rating_pa, 1000)}</Row>
        <Row label="Accessories" isLast={!valve.plate.approval}>
          {valve.plate.accessories.join(', ') || 'none'}
        </Row>
        {valve.plate.approval ? (
          <Row label="Approval" isLast>
            {valve.plate.approval.scheme}
          </Row>
        ) : null}
      </Card>
      <TargetSheet valve={valve} isOpen={isEditing} onClose={() => setEditing(false)} />
    </Screen>
  );
}

const driftSay = (drift: ReturnType<typeof driftOfValve>, due: Date | undefined): string => {
  const next = due ? ` Next look: ${format(due, 'd MMM yyyy')}.` : '';
  if (!drift?.isDrifting || drift.daysToLeaveLane === undefined) return `Holds between visits.${next}`;
  const span = formatDistanceToNowStrict(Date.now() + drift.daysToLeaveLane * 86_400_000);
  return `Drifts ${drift.perDay > 0 ? 'up' : 'down'}: leaves the lane about ${span} after a visit.${drift.perDay > 0 ? ' A worn pilot seat is likely.' : ''}${next}`;
};
