import {
  defaultHouseRules,
  fleetKindFor,
  learnFleet,
  paPerTurn,
  seededRandom,
  type Lesson,
  type Random,
  type RatePrior,
} from '@holvek/core';
import { ours } from './regimes';
import { drawWorld, play, regimes, type World } from './regime-world';

const VALVES = 200;
const KINDS = 12;
/** How far a kind's spring is off its chart, and how its valves differ among themselves: ln. */
const OFF_CHART = 0.35;
const BETWEEN = 0.1;

type FleetRow = {
  readonly prior: string;
  readonly moves: number;
  readonly limit: number;
  readonly lane: number;
  readonly wrong: number;
};

type Met = { readonly kind: number; readonly logRatio: number };

/** A made-up fleet: what each kind's chart is off by, and each valve beside it. */
function drawFleet(random: Random): readonly Met[] {
  const offs = Array.from({ length: KINDS }, () => OFF_CHART * random.normal());
  return Array.from({ length: VALVES }, (_, i) => {
    const kind = i % KINDS;
    return { kind, logRatio: offs[kind]! + BETWEEN * random.normal() };
  });
}

const lessonOf = ({ kind, logRatio }: Met, random: Random): Lesson => ({
  family: 'reducing',
  adjuster: 'main',
  spring: `kind ${kind}`,
  size_dn: 80,
  log_ratio: logRatio + 0.05 * random.normal(),
  sd: 0.05,
});

const common = {
  direction: 'raises',
  directionTrust: defaultHouseRules.direction_trust,
  model: 2,
} as const;

const byChart = ({ plateRate }: World): RatePrior => ({
  ...common,
  rate: paPerTurn(plateRate),
  sdFraction: defaultHouseRules.spring_rate_sd_fraction,
  from: 'spring',
});
const byHistory = ({ rate }: World, random: Random): RatePrior => ({
  ...common,
  rate: paPerTurn(rate * (1 + 0.1 * random.between(-1, 1))),
  sdFraction: defaultHouseRules.sheet_rate_sd_fraction,
  from: 'sheets',
});
const byFleet =
  (met: readonly Met[], kind: number, random: Random) =>
  ({ plateRate }: World): RatePrior => {
    const fleet = learnFleet(met.map((each) => lessonOf(each, random)));
    const known = fleetKindFor(fleet, {
      family: 'reducing',
      adjuster: 'main',
      spring: `kind ${kind}`,
      size_dn: 80,
    })!;
    return {
      ...common,
      rate: paPerTurn(plateRate * Math.exp(known.mean)),
      sdFraction: known.sd,
      from: 'fleet',
      valves: known.valves,
    };
  };

/** A valve never met: by its chart, by the others of its kind, and as one with sheets of its own. */
export function fleetBench(count: number): readonly FleetRow[] {
  const regime = { ...regimes[0]!, name: 'a fleet', reversed: 0 };
  const priors = ['its chart', 'the fleet', 'its own sheets'] as const;
  return priors.map((prior) => {
    const outcomes = Array.from({ length: count }, (_, i) => {
      const random = seededRandom(4e6 + i);
      const [own, ...others] = drawFleet(random);
      const drawn = drawWorld(regime, seededRandom(i + 1));
      const rate = drawn.plateRate * Math.exp(own!.logRatio);
      const world = { ...drawn, rate, target: drawn.span * rate };
      const guard = drawn.guard * (world.target / drawn.target);
      const given = { ...world, guard, division: guard / 2 };
      const priorOf = {
        'its chart': byChart,
        'the fleet': byFleet(others, own!.kind, random),
        'its own sheets': (each: World) => byHistory(each, random),
      }[prior];
      return play(given, ours(priorOf), regime, seededRandom(1e6 + i));
    });
    const share = (isSo: (outcome: (typeof outcomes)[number]) => boolean) =>
      (100 * outcomes.filter(isSo).length) / count;
    return {
      prior,
      moves: outcomes.reduce((sum, { moves }) => sum + moves, 0) / count,
      limit: share(({ passedLimit }) => passedLimit),
      lane: share(({ passedLane }) => passedLane),
      wrong: share(({ end, trulyIn }) => end === 'done' && !trulyIn),
    };
  });
}
