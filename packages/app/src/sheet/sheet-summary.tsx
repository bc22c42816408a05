import { judgingGauge, leadingSetting, printTurns, type SheetBody, type SheetSetting } from '@holvek/core';
import { XStack, YStack } from 'tamagui';
import { BandsCard } from './bands-card';
import { ControlCard } from './control-card';
import { DeviceCard } from './device-card';
import { CrackingCard } from './cracking-card';
import { TablesCard } from './tables-card';
import { outcomeTone, outcomeWord, verdictTone, verdictWord } from './outcome';
import { LaneStrip } from '@/run/lane-strip';
import { useUnits } from '@/settings/use-units';
import { Card, Pill, Row } from '@/ui/card';
import { BigNumber } from '@/ui/big-number';
import { Heading, Muted, Strong, Words } from '@/ui/words';

/** What a sheet says, as it stands or as it would be signed. */
export function SheetSummary({ body }: { readonly body: SheetBody }) {
  const leading = leadingSetting(body);
  return (
    <YStack gap="$3">
      {leading ? <SettingCard body={body} setting={leading} /> : null}
      {body.tables ? <TablesCard body={body} /> : null}
      {leading || body.tables ? null : (
        <Card {...(body.outcome === 'out_of_service' ? { tone: 'stop' as const } : {})}>
          <Pill tone={outcomeTone(body)}>{outcomeWord(body)}</Pill>
          <Words color={body.outcome === 'out_of_service' ? '$onVermilionSoft' : '$color'}>
            {body.out_of_service_because ?? 'Carried out in its order; nothing was set.'}
          </Words>
        </Card>
      )}
      {body.settings.length > 1 ? <OtherSettings body={body} /> : null}
      {body.control ? <ControlCard control={body.control} /> : null}
      {body.device ? <DeviceCard device={body.device} /> : null}
      {body.edges || body.switch_cycles ? <BandsCard body={body} /> : null}
      {body.cracking ? <CrackingCard body={body} /> : null}
      <ProofCard body={body} />
    </YStack>
  );
}

function SettingCard({ body, setting }: { readonly body: SheetBody; readonly setting: SheetSetting }) {
  const units = useUnits();
  const step = body.gauges[setting.role]?.resolution_pa ?? 1000;
  const { target } = setting;
  const sign = target.set_point_pa < 0 ? -1 : 1;
  return (
    <Card>
      {body.settings.length > 1 ? <Heading>{setting.name}</Heading> : null}
      <XStack justifyContent="space-between" flexWrap="wrap" gap="$2">
        <YStack>
          <Muted>as left</Muted>
          <BigNumber fontSize="$8" lineHeight="$8">
            {units.figure(setting.as_left_pa, step)}
          </BigNumber>
        </YStack>
        <YStack alignItems="flex-end">
          <Muted>as found</Muted>
          <BigNumber fontSize="$8" lineHeight="$8" color="$muted">
            {setting.as_found_pa === null ? '–' : units.figure(setting.as_found_pa, step)}
          </BigNumber>
        </YStack>
      </XStack>
      <XStack justifyContent="space-between" alignItems="center" gap="$2">
        <Words
          color="$muted"
          flexShrink={1}
        >{`${units.pressure} · target ${units.figure(target.set_point_pa, step)} ± ${units.figure(target.tolerance_pa)}`}</Words>
        <Pill tone={verdictTone[setting.verdict]}>{verdictWord[setting.verdict]}</Pill>
      </XStack>
      {setting.method === 'by_count' ? (
        <Words color="$brass">{`By count, not by pressure: ± ${units.withUnit(setting.uncertainty_pa)}.`}</Words>
      ) : null}
      {setting.dots.length > 1 ? (
        <LaneStrip
          sign={sign}
          aim={{
            target: sign * target.set_point_pa,
            lower: sign * target.set_point_pa - target.tolerance_pa,
            upper: sign * target.set_point_pa + target.tolerance_pa,
            limit: sign * target.limit_pa,
            approach: 'from_below',
          }}
          dots={setting.dots.map(({ pressure_pa, turns }, i) => ({
            pressure: sign * pressure_pa,
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
  );
}

function OtherSettings({ body }: { readonly body: SheetBody }) {
  const units = useUnits();
  return (
    <Card>
      {body.settings.map((setting, i) => (
        <XStack
          key={setting.adjuster}
          justifyContent="space-between"
          alignItems="center"
          minHeight={52}
          gap="$2"
          borderTopWidth={i ? 1 : 0}
          borderColor="$line"
        >
          <YStack flexShrink={1}>
            <Words>{setting.name}</Words>
            <Muted>{`target ${units.figure(setting.target.set_point_pa)} ± ${units.figure(setting.target.tolerance_pa)}${setting.as_found_pa === null ? '' : ` · found ${units.figure(setting.as_found_pa)}`}`}</Muted>
          </YStack>
          <YStack alignItems="flex-end">
            <Strong>{units.withUnit(setting.as_left_pa, body.gauges[setting.role]?.resolution_pa)}</Strong>
            <Muted color={setting.verdict.startsWith('pass') ? '$verdigrisDeep' : '$vermilion'}>
              {verdictWord[setting.verdict]}
            </Muted>
          </YStack>
        </XStack>
      ))}
    </Card>
  );
}

function ProofCard({ body }: { readonly body: SheetBody }) {
  const units = useUnits();
  const leading = leadingSetting(body);
  const gauge = judgingGauge(body);
  const step = gauge?.resolution_pa ?? 1000;
  const closed = body.open_ends.filter(({ state }) => state === 'closed').length;
  const left = body.open_ends.filter(({ state }) => state === 'left');
  const isOutOfDate = body.gauge_findings.includes('gauge.out_of_date');
  return (
    <Card>
      {leading ? (
        <Row label="Adjuster">{`${printTurns(leading.turns_net)} turn ${leading.turns_net < 0 ? 'anticlockwise' : 'clockwise'}${leading.rate_pa_per_turn === null ? '' : ` · ${units.figure(Math.abs(leading.rate_pa_per_turn))} a turn`}`}</Row>
      ) : null}
      {body.droop_pa === null ? null : <Row label="Droop">{units.withUnit(body.droop_pa, step)}</Row>}
      {body.no_flow ? (
        <Row label="No flow">
          {`${units.withUnit(body.no_flow.rise_pa, step)}, ${body.no_flow.shape === 'creeps' ? 'creeps' : 'levels'}`}
        </Row>
      ) : null}
      {body.plate.family === 'relief_spring' ? <Row label="Spring">{body.plate.fitted_spring}</Row> : null}
      <Row label="Gauge">
        {gauge
          ? `${gauge.tag}${leading ? ` · ± ${units.figure(leading.uncertainty_pa, step / 10)}` : ''} · ${isOutOfDate ? 'OUT OF DATE' : `to ${gauge.calibration_due_on}`}`
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
  );
}
