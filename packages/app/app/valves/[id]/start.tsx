import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import {
  adjustersOf,
  checkPlate,
  families,
  isInstrument,
  lineDensityOf,
  procedureOf,
  repairsOf,
  startDraft,
  type Gauge,
  type GaugeFitness,
  type Side,
  type TwinSketch,
  type Valve,
} from '@holvek/core';
import { BagCard } from '@/bag/bag-card';
import { YStack } from '@/ui/kit';
import {
  useGauges,
  useHouseRules,
  useIsReadyToStart,
  useFleet,
  useRepairs,
  useValves,
} from '@/data/queries';
import { shelf } from '@/data/store';
import { bestGauge, fitnessFor, reachingGauge } from '@/gauge/gauge-choice';
import { GaugeSelect } from '@/gauge/gauge-select';
import { HeightField, hungAt } from '@/gauge/height-field';
import { NoticeCards } from '@/notice/notice-card';
import { JobCard } from '@/round/job-card';
import { useJob } from '@/round/use-job';
import { useBarred } from '@/people/use-licence';
import { usePreferences } from '@/prefs/preferences';
import { UnitsOfValve } from '@/units/units-of-valve';
import { useUnits } from '@/units/use-units';
import { Screen } from '@/shell/screen';
import { Choice } from '@/ui/field';
import { BigButton } from '@/ui/press';
import { Loading, Trouble } from '@/ui/states';
import { Muted, Strong } from '@/ui/words';
import { OpenRunCard, useOpenRun } from '@/valve/open-run-card';
import { aimWords } from '@/words/aim-words';
import { useVisits } from '@/data/use-visits';
import { twinFor, type Asked } from '@/practice/twin-for';
import { plateTrouble } from '@/words/plate-trouble';
import { eventTrouble } from '@/words/trouble';
import { today } from '@/ui/local-day';

/** Before a run: which gauges, which way, who. Everything has a good default. */
export default function StartScreen() {
  const { id, practice, ...asked } = useLocalSearchParams<Asked>();
  const valve = useValves().data?.find((each) => each.id === id);
  const gauges = useGauges().data;
  const isReady = useIsReadyToStart();
  if (!valve || !gauges || !isReady) return <Loading what="Fetching valve and gauges" />;
  if (valve.retired && practice !== '1')
    return (
      <Screen title={`Start ${valve.tag}`} under={valve.name} back>
        <Trouble
          title={`Retired on ${valve.retired.on}`}
          say={`${valve.retired.why} Bring it back on its own page before it is set.`}
        />
      </Screen>
    );
  return (
    <UnitsOfValve valve={valve}>
      <StartForm
        valve={valve}
        gauges={gauges}
        isPractice={practice === '1'}
        twin={twinFor(valve, asked)}
      />
    </UnitsOfValve>
  );
}

/** Sides that need a gauge, the judging one first; the others are only watched. */
function sidesOf(valve: Valve): readonly { readonly side: Side; readonly judges: boolean }[] {
  const judging = new Set(adjustersOf(valve.plate).map(({ role }) => role));
  const named = Object.keys(families[valve.plate.family].gauges) as Side[];
  return named
    .map((side) => ({ side, judges: judging.has(side) || isInstrument(valve.plate) }))
    .sort((a, b) => Number(b.judges) - Number(a.judges));
}

function StartForm({
  valve,
  gauges,
  isPractice,
  twin,
}: {
  readonly valve: Valve;
  readonly gauges: readonly Gauge[];
  readonly isPractice: boolean;
  /** What it is practised on. */
  readonly twin: TwinSketch;
}) {
  const router = useRouter();
  const units = useUnits();
  const rules = useHouseRules();
  const visits = useVisits();
  const { technician } = usePreferences();
  const barred = useBarred(valve.plate.family);
  const procedure = procedureOf(valve.plate.family);
  const schools = procedure.schools.filter(
    ({ id }) => id !== 'from_tag' || valve.plate.factory_set_point_pa !== undefined,
  );
  const sides = sidesOf(valve);
  const fitness = (side: Side) => (gauge: Gauge) =>
    fitnessFor(gauge, valve, side, { rules, today: today() });
  const [school, setSchool] = useState(schools[0]!.id);
  const [chosen, setChosen] = useState<Partial<Record<Side, string>>>(() =>
    firstChoice(gauges, valve, sides, fitness),
  );
  const [trouble, setTrouble] = useState<string>();
  const [heights, setHeights] = useState<Partial<Record<Side, string>>>({});
  const gaugeAt = (side: Side) =>
    hungAt(
      gauges.find(({ id }) => id === chosen[side]),
      heights[side],
    );
  const stop = checkPlate(valve.plate, valve).find((issue) => issue.stops);
  const isUnfit = sides.some(({ side, judges }) => {
    const gauge = gaugeAt(side);
    return !gauge || (judges && fitness(side)(gauge).grade === 'unfit');
  });
  const isWeighed = (side: Side) =>
    lineDensityOf(valve.plate) > 0 && !(isInstrument(valve.plate) && side === 'inlet');
  const repairs = useRepairs();
  const [job, setJob] = useJob(valve.id);
  const fleet = useFleet();
  const open = useOpenRun(valve.id) !== undefined;
  const isTaken = !isPractice && (open || barred !== undefined);
  const start = async () => {
    const draft = startDraft(valve, {
      school,
      gauges: Object.fromEntries(sides.map(({ side }) => [side, gaugeAt(side)!])),
      rules,
      sheets: visits.get(valve.id) ?? [],
      repairs: repairsOf(repairs.data ?? [], valve.id),
      job,
      // A twin's spring is of its own making: others of its kind say nothing of it.
      ...(isPractice ? { twin } : { fleet: fleet.data ?? [] }),
    });
    const begun = await shelf.begin(draft, technician);
    if (typeof begun === 'string') router.replace(`/runs/${begun}`);
    else setTrouble(eventTrouble(begun, units));
  };
  return (
    <Screen
      title={isPractice ? `Practise on ${valve.tag}` : `Start ${valve.tag}`}
      practice={isPractice}
      under={`${valve.name} · ${aimWords(valve, units)}`}
      back
      footer={
        <BigButton
          flex={1}
          disabled={stop !== undefined || isUnfit || isTaken}
          onPress={() => void start()}
          testID="start-run"
        >
          Start
        </BigButton>
      }
    >
      {isPractice ? null : (
        <>
          <NoticeCards valveId={valve.id} />
          <OpenRunCard valveId={valve.id} />
        </>
      )}
      {stop ? <Trouble title="This cannot be set" say={plateTrouble(stop, units)} /> : null}
      {barred && !isPractice ? <Trouble title={barred.title} say={barred.say} /> : null}
      {trouble ? <Trouble title="Not started" say={trouble} /> : null}
      <Muted>
        {isPractice
          ? 'Against its simulated twin, with a gauge that reads itself. Nothing of it counts.'
          : `A record of the real valve, by ${technician}: every reading is typed from the gauges below.`}
      </Muted>
      {isPractice ? null : <BagCard valves={[valve]} />}
      {schools.length > 1 ? (
        <Choice
          label="How"
          value={school}
          onChange={setSchool}
          options={schools.map((each) => ({
            value: each.id,
            name: each.name,
            say: <SchoolWords name={each.name} when={each.when} />,
          }))}
        />
      ) : null}
      {sides.map(({ side, judges }) => (
        <YStack key={side} gap="$2">
          <GaugeSelect
            label={families[valve.plate.family].gauges[side] ?? side}
            gauges={gauges.filter(
              ({ id }) => !sides.some((other) => other.side !== side && chosen[other.side] === id),
            )}
            value={chosen[side] ?? ''}
            fitness={judges ? fitness(side) : undefined}
            onChange={(id) => setChosen((now) => ({ ...now, [side]: id }))}
          />
          {isWeighed(side) ? (
            <HeightField
              gauge={gauges.find(({ id }) => id === chosen[side])}
              text={heights[side]}
              onChange={(text) => setHeights((now) => ({ ...now, [side]: text }))}
            />
          ) : null}
        </YStack>
      ))}
      {isPractice ? null : (
        <JobCard
          job={job}
          onChange={setJob}
          under="Order, permit, client: what is told here stands on the sheet."
        />
      )}
    </Screen>
  );
}

const SchoolWords = ({ name, when }: { readonly name: string; readonly when: string }) => (
  <YStack>
    <Strong>{name}</Strong>
    <Muted>{when}</Muted>
  </YStack>
);

function firstChoice(
  gauges: readonly Gauge[],
  valve: Valve,
  sides: ReturnType<typeof sidesOf>,
  fitness: (side: Side) => (gauge: Gauge) => GaugeFitness,
): Partial<Record<Side, string>> {
  const taken = new Set<string>();
  return Object.fromEntries(
    sides.map(({ side, judges }) => {
      const free = gauges.filter(({ id }) => !taken.has(id));
      const gauge = judges
        ? bestGauge(free, fitness(side), isInstrument(valve.plate) && side === 'inlet')
        : reachingGauge(free, valve, side, today());
      if (gauge) taken.add(gauge.id);
      return [side, gauge?.id ?? ''];
    }),
  );
}
