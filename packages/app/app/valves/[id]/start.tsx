import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import {
  checkPlate,
  gaugeFitness,
  procedureOf,
  ratePrior,
  type Gauge,
  type GaugeFitness,
  type Valve,
} from '@holvek/core';
import { YStack } from 'tamagui';
import { useGauges, useHouseRules, useSheets, useValves } from '@/data/queries';
import { shelf } from '@/data/store';
import { changePreferences, usePreferences } from '@/settings/preferences';
import { useUnits } from '@/settings/use-units';
import { Screen } from '@/shell/screen';
import { Card } from '@/ui/card';
import { Choice, Field } from '@/ui/field';
import { BigButton } from '@/ui/press';
import { Loading, Trouble } from '@/ui/states';
import { Muted, Strong, Words } from '@/ui/words';
import { sheetsOfValve } from '@/valve/valve-state';
import { eventTrouble, findingWords, plateTrouble } from '@/words/trouble';

type LinkKind = 'twin' | 'typed';
const today = () => new Date().toISOString().slice(0, 10);
const gradeWord: Record<GaugeFitness['grade'], string> = { fits: 'fits', usable: 'usable', unfit: 'unfit' };

/** Before a run: which gauge, which start, who. Everything has a good default. */
export default function StartScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const valve = useValves().data?.find((each) => each.id === id);
  const gauges = useGauges().data;
  if (!valve || !gauges) return <Loading what="Fetching valve and gauges" />;
  return <StartForm valve={valve} gauges={gauges} />;
}

function StartForm({ valve, gauges }: { readonly valve: Valve; readonly gauges: readonly Gauge[] }) {
  const router = useRouter();
  const units = useUnits();
  const rules = useHouseRules();
  const sheets = useSheets().data ?? [];
  const { technician } = usePreferences();
  const procedure = procedureOf(valve.plate.family);
  const schools = procedure.schools.filter(
    ({ id }) => id !== 'from_tag' || valve.plate.factory_set_point_pa !== undefined,
  );
  const [school, setSchool] = useState(schools[0]!.id);
  const [kind, setKind] = useState<LinkKind>('twin');
  const [name, setName] = useState(technician);
  const fitness = new Map(
    gauges.map((gauge) => [gauge.id, gaugeFitness(gauge, valve.target, today(), rules)]),
  );
  const [outletId, setOutletId] = useState(() => bestGauge(gauges, fitness)?.id ?? '');
  const [inletId, setInletId] = useState(() => widestGauge(gauges, outletId, valve)?.id ?? '');
  const [trouble, setTrouble] = useState<string>();
  const outlet = gauges.find((gauge) => gauge.id === outletId);
  const inlet = gauges.find((gauge) => gauge.id === inletId);
  const chosen = fitness.get(outletId);
  const stop = checkPlate(valve.plate, valve.target).find((issue) => issue.stops);
  const start = async () => {
    if (!outlet || !inlet) return;
    changePreferences({ technician: name.trim() });
    const taught = sheetsOfValve(sheets, valve.id).flatMap(({ body }) =>
      body.rate_pa_per_turn === null || body.clockwise === 'unknown'
        ? []
        : [{ rate: body.rate_pa_per_turn, sd: body.rate_sd_pa_per_turn ?? 0, clockwise: body.clockwise }],
    );
    const begun = await shelf.begin(
      {
        type: 'started',
        valve_id: valve.id,
        valve_tag: valve.tag,
        valve_name: valve.name,
        plate: valve.plate,
        target: valve.target,
        school,
        procedure_version: procedure.version,
        gauges: { inlet, outlet },
        house_rules: rules,
        prior: ratePrior(valve.plate, taught, rules),
        ...(kind === 'twin'
          ? {
              twin: valve.twin ?? {
                seed: seedOf(valve.tag),
                faults: [],
                found_pa: valve.target.set_point_pa * 0.9,
              },
            }
          : {}),
      },
      name.trim(),
    );
    if (typeof begun === 'string') router.replace(`/runs/${begun}`);
    else setTrouble(eventTrouble(begun, units));
  };
  return (
    <Screen
      title={`Start ${valve.tag}`}
      under={`${valve.name} · to ${units.withUnit(valve.target.set_point_pa, 1000)}`}
      back
      footer={
        <BigButton
          flex={1}
          disabled={
            stop !== undefined || !outlet || !inlet || chosen?.grade === 'unfit' || name.trim().length < 2
          }
          onPress={() => void start()}
          testID="start-run"
        >
          {name.trim().length < 2 ? 'Your name first' : 'Start'}
        </BigButton>
      }
    >
      {stop ? <Trouble title="This cannot be set" say={plateTrouble(stop, units)} /> : null}
      {trouble ? <Trouble title="Not started" say={trouble} /> : null}
      <Field
        label="Technician"
        value={name}
        onChangeText={setName}
        maxLength={80}
        hint="Stands on every entry and on the sheet."
      />
      <Choice
        label="Readings from"
        value={kind}
        onChange={setKind}
        options={[
          { value: 'twin', say: 'Simulated gauge, linked' },
          { value: 'typed', say: 'Hand-held gauge, typed' },
        ]}
      />
      <Choice
        label="How to start"
        value={school}
        onChange={setSchool}
        options={schools.map((each) => ({
          value: each.id,
          name: each.name,
          say: <SchoolWords name={each.name} when={each.when} />,
        }))}
      />
      <Choice
        label="Outlet gauge"
        value={outletId}
        onChange={setOutletId}
        options={gauges.map((gauge) => ({
          value: gauge.id,
          name: `${gauge.tag} ${gradeWord[fitness.get(gauge.id)!.grade]}`,
          say: `${gauge.tag} · ${gradeWord[fitness.get(gauge.id)!.grade]}`,
        }))}
      />
      {chosen && chosen.findings.length > 0 ? (
        <Card tone={chosen.grade === 'unfit' ? 'stop' : 'warn'}>
          {chosen.findings.map((finding) => (
            <Words
              key={finding.code}
              color={chosen.grade === 'unfit' ? '$onVermilionSoft' : '$onBrassSoft'}
            >{`${findingWords(finding, units)}.`}</Words>
          ))}
          <Muted color={chosen.grade === 'unfit' ? '$onVermilionSoft' : '$onBrassSoft'}>
            {chosen.grade === 'unfit' ? 'Take another gauge.' : 'It may be used; the sheet will say so.'}
          </Muted>
        </Card>
      ) : null}
      <Choice
        label="Inlet gauge"
        value={inletId}
        onChange={setInletId}
        options={gauges
          .filter((gauge) => gauge.id !== outletId)
          .map((gauge) => ({ value: gauge.id, say: gauge.tag }))}
      />
    </Screen>
  );
}

const SchoolWords = ({ name, when }: { readonly name: string; readonly when: string }) => (
  <YStack>
    <Strong>{name}</Strong>
    <Muted>{when}</Muted>
  </YStack>
);

const order: Record<GaugeFitness['grade'], number> = { fits: 0, usable: 1, unfit: 2 };
const bestGauge = (gauges: readonly Gauge[], fitness: ReadonlyMap<string, GaugeFitness>) =>
  [...gauges].sort((a, b) => {
    const [fa, fb] = [fitness.get(a.id)!, fitness.get(b.id)!];
    return order[fa.grade] - order[fb.grade] || fb.testUncertaintyRatio - fa.testUncertaintyRatio;
  })[0];

/** For the inlet, range matters more than fineness: the smallest in date that reaches over it. */
const widestGauge = (gauges: readonly Gauge[], outletId: string, valve: Valve) =>
  gauges
    .filter((gauge) => gauge.id !== outletId && gauge.calibration_due_on >= today())
    .sort(
      (a, b) =>
        Number(a.range_high_pa < valve.plate.inlet_rating_pa) -
          Number(b.range_high_pa < valve.plate.inlet_rating_pa) || a.range_high_pa - b.range_high_pa,
    )[0];

/** A valve without a described twin gets one of its own, always the same. */
const seedOf = (tag: string): number =>
  [...tag].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 1_000_000, 7);
