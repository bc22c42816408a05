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
import { bestGauge, fitnessFor, ofItsKind, reachingGauge } from '@/gauge/gauge-choice';
import { GaugeSelect } from '@/gauge/gauge-select';
import { HeightField, hungAt } from '@/gauge/height-field';
import { NoticeCards } from '@/notice/notice-card';
import { JobCard } from '@/round/job-card';
import { useJob } from '@/round/use-job';
import { useBarred } from '@/people/use-licence';
import { PermitCard } from '@/place/at-place-card';
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
        gauges={ofItsKind(gauges, valve)}
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

type FormProps = {
  readonly valve: Valve;
  readonly gauges: readonly Gauge[];
  readonly isPractice: boolean;
  /** What it is practised on. */
  readonly twin: TwinSketch;
};

/** Which gauge is hung where, how high, and how fit each is to judge. */
function useHungGauges(valve: Valve, gauges: readonly Gauge[]) {
  const rules = useHouseRules();
  const sides = sidesOf(valve);
  const fitness = (side: Side) => (gauge: Gauge) =>
    fitnessFor(gauge, valve, side, { rules, today: today() });
  const [chosen, setChosen] = useState<Partial<Record<Side, string>>>(() =>
    firstChoice(gauges, valve, sides, fitness),
  );
  const [heights, setHeights] = useState<Partial<Record<Side, string>>>({});
  const gaugeAt = (side: Side) =>
    hungAt(
      gauges.find(({ id }) => id === chosen[side]),
      heights[side],
    );
  const isUnfit = sides.some(({ side, judges }) => {
    const gauge = gaugeAt(side);
    return !gauge || (judges && fitness(side)(gauge).grade === 'unfit');
  });
  return { gauges, sides, fitness, chosen, setChosen, heights, setHeights, gaugeAt, isUnfit };
}

/** Takes what was chosen, the house's figures and the valve's past into a run. */
function useStart({ valve, isPractice, twin }: Omit<FormProps, 'gauges'>) {
  const router = useRouter();
  const units = useUnits();
  const rules = useHouseRules();
  const visits = useVisits();
  const repairs = useRepairs();
  const fleet = useFleet();
  const { technician } = usePreferences();
  const [trouble, setTrouble] = useState<string>();
  const start = async (
    chosen: Pick<Parameters<typeof startDraft>[1], 'school' | 'gauges' | 'job'>,
  ) => {
    const draft = startDraft(valve, {
      ...chosen,
      rules,
      sheets: visits.get(valve.id) ?? [],
      repairs: repairsOf(repairs.data ?? [], valve.id),
      // A twin's spring is of its own making: others of its kind say nothing of it.
      ...(isPractice ? { twin } : { fleet: fleet.data ?? [] }),
    });
    const begun = await shelf.begin(draft, technician);
    if (typeof begun === 'string') router.replace(`/runs/${begun}`);
    else setTrouble(eventTrouble(begun, units));
  };
  return { start, trouble };
}

/** How it may be set; from its tag only where the plate has a factory setting. */
const schoolsOf = ({ plate }: Valve) =>
  procedureOf(plate.family).schools.filter(
    ({ id }) => id !== 'from_tag' || plate.factory_set_point_pa !== undefined,
  );

function StartForm({ valve, gauges, isPractice, twin }: FormProps) {
  const units = useUnits();
  const { technician } = usePreferences();
  const barred = useBarred(valve.plate.family);
  const schools = schoolsOf(valve);
  const [school, setSchool] = useState(schools[0]!.id);
  const hung = useHungGauges(valve, gauges);
  const stop = checkPlate(valve.plate, valve, useHouseRules()).find((issue) => issue.stops);
  const [job, setJob] = useJob(valve.id);
  const isOpen = useOpenRun(valve.id) !== undefined;
  const isTaken = !isPractice && (isOpen || barred !== undefined);
  const { start, trouble } = useStart({ valve, isPractice, twin });
  const begin = () =>
    void start({
      school,
      gauges: Object.fromEntries(hung.sides.map(({ side }) => [side, hung.gaugeAt(side)!])),
      job,
    });
  return (
    <Screen
      title={isPractice ? `Practise on ${valve.tag}` : `Start ${valve.tag}`}
      practice={isPractice}
      under={`${valve.name} · ${aimWords(valve, units)}`}
      back
      footer={
        <BigButton
          flex={1}
          disabled={stop !== undefined || hung.isUnfit || isTaken}
          onPress={begin}
          testID="start-run"
        >
          Start
        </BigButton>
      }
    >
      {isPractice ? null : (
        <>
          <NoticeCards valveId={valve.id} />
          <PermitCard valve={valve} />
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
          options={schools.map(({ id, name, when }) => ({
            value: id,
            name,
            say: <SchoolWords name={name} when={when} />,
          }))}
        />
      ) : null}
      {hung.sides.map((each) => (
        <GaugeOfSide key={each.side} valve={valve} hung={hung} {...each} />
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

/** The gauge of one side, and how high it hangs where the column weighs. */
function GaugeOfSide({
  valve,
  side,
  judges,
  hung: { gauges, sides, fitness, chosen, setChosen, heights, setHeights },
}: {
  readonly valve: Valve;
  readonly side: Side;
  readonly judges: boolean;
  readonly hung: ReturnType<typeof useHungGauges>;
}) {
  const { plate } = valve;
  const isWeighed = lineDensityOf(plate) > 0 && !(isInstrument(plate) && side === 'inlet');
  const isElsewhere = (id: string) =>
    sides.some((other) => other.side !== side && chosen[other.side] === id);
  return (
    <YStack gap="$2">
      <GaugeSelect
        label={families[plate.family].gauges[side] ?? side}
        gauges={gauges.filter(({ id }) => !isElsewhere(id))}
        value={chosen[side] ?? ''}
        fitness={judges ? fitness(side) : undefined}
        onChange={(id) => setChosen((now) => ({ ...now, [side]: id }))}
      />
      {isWeighed ? (
        <HeightField
          gauge={gauges.find(({ id }) => id === chosen[side])}
          text={heights[side]}
          onChange={(text) => setHeights((now) => ({ ...now, [side]: text }))}
        />
      ) : null}
    </YStack>
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
