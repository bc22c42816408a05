import {
  afterReading,
  afterTurn,
  defaultHouseRules,
  gaugePa,
  inTurns,
  nextMove,
  paPerTurn,
  seededRandom,
  startBelief,
  type Belief,
  type MoveAim,
  type Random,
  type RatePrior,
} from '@holvek/core';
import {
  drawWorld,
  LANE,
  LIMIT,
  play,
  regimes,
  SLACK,
  type Outcome,
  type Policy,
  type World,
} from './regime-world';

const aimFor = ({ target, guard }: World): MoveAim => ({
  target: gaugePa(target),
  lower: gaugePa(target * (1 - LANE)),
  upper: gaugePa(target * (1 + LANE)),
  limit: gaugePa(target * (1 + LIMIT)),
  approach: 'from_below',
  guard: Math.min(guard, (LANE * target) / 2),
  chancePastLimit: defaultHouseRules.chance_past_limit,
  chancePastLane: defaultHouseRules.chance_past_lane,
  largestTurn: inTurns(defaultHouseRules.largest_turn),
});
const sdOf = ({ guard, division }: World): number => Math.hypot(division / 2, guard / 4);

const moveOf = (belief: Belief, reading: number, world: World) => {
  const move = nextMove(belief, gaugePa(reading), aimFor(world));
  if (move.kind === 'read_again') return 'again';
  return 'turns' in move ? move.turns : move.kind;
};

/** The coach, with what it is told of the valve beforehand. */
export function ours(priorOf: (world: World) => RatePrior): Policy {
  let belief: Belief;
  let world: World;
  return {
    begin: (given, reading) => {
      world = given;
      belief = startBelief(priorOf(given), {
        reading: gaugePa(reading),
        readingSd: sdOf(given),
        takenUp: 'anticlockwise',
      });
    },
    turned: (turns, reading) => {
      belief = afterReading(afterTurn(belief, inTurns(turns)), gaugePa(reading), {
        sd: sdOf(world),
        floor: SLACK,
      });
    },
    readAgain: (reading) => {
      belief = afterReading(belief, gaugePa(reading), { sd: sdOf(world), floor: SLACK });
    },
    next: (reading) => moveOf(belief, reading, world),
  };
}

/** Knows spring, bend, play and direction, and where the set point truly stands; only the hand surprises it. */
function clairvoyant(): Policy {
  let world: World;
  let carried = 0;
  let lastTurn = 0;
  const pressureAt = (at: number) =>
    world.rate * at * (1 - world.bend / 2 + (world.bend * at) / (2 * world.span));
  return {
    begin: (given) => {
      world = given;
      carried = 0;
      lastTurn = 0;
    },
    turned: (turns, reading) => {
      lastTurn = turns * world.sense;
      // Solves for where the carried part stands from what it reads.
      let [low, high] = [-1, 2 * world.span];
      for (let i = 0; i < 40; i++) {
        const middle = (low + high) / 2;
        if (pressureAt(middle) < reading) low = middle;
        else high = middle;
      }
      carried = low;
    },
    next: (reading) => {
      const { target, guard } = world;
      if (Math.abs(reading - target) <= LANE * target - Math.min(guard, (LANE * target) / 2))
        return 'done';
      const isPast = reading > target;
      // The same bounds hold for it: of its hand it knows how far it may go astray.
      const astray = world.hand * world.rate;
      const safe = Math.min(target * (1 + LANE) - 1.44 * astray, target * (1 + LIMIT) - 3 * astray);
      const goal = isPast ? target * (1 - 2 * LANE) : Math.min(target, safe);
      let [low, high] = [0, 2 * world.span];
      for (let i = 0; i < 40; i++) {
        const middle = (low + high) / 2;
        if (pressureAt(middle) < goal) low = middle;
        else high = middle;
      }
      const wanted = low - carried;
      const isTakenUp = lastTurn === 0 ? wanted < 0 : wanted > 0 === lastTurn > 0;
      const turns = wanted + (isTakenUp ? 0 : Math.sign(wanted) * world.backlash);
      return world.sense * turns;
    },
  };
}

function byPlate(share: number): Policy {
  let world: World;
  return {
    begin: (given) => {
      world = given;
    },
    turned: () => undefined,
    next: (reading) => {
      const { target, plateRate, guard } = world;
      if (Math.abs(reading - target) <= LANE * target - Math.min(guard, (LANE * target) / 2))
        return 'done';
      const turns = (share * (target - reading)) / plateRate;
      const rounded = Math.trunc(turns * 8) / 8;
      return rounded === 0 ? Math.sign(turns) / 16 : rounded;
    },
  };
}

const model = { model: 2 } as const;

const neverMet = (world: World): RatePrior => ({
  rate: paPerTurn(world.plateRate),
  sdFraction: defaultHouseRules.spring_rate_sd_fraction,
  direction: 'raises',
  directionTrust: defaultHouseRules.direction_trust,
  from: 'spring',
  ...model,
});
const withHistory = (world: World, random: Random): RatePrior => ({
  rate: paPerTurn(world.rate * (1 + 0.1 * random.between(-1, 1))),
  sdFraction: defaultHouseRules.sheet_rate_sd_fraction,
  direction: world.sense === 1 ? 'raises' : 'lowers',
  directionTrust: 0.995,
  from: 'sheets',
  ...model,
});

export type RegimeRow = {
  readonly regime: string;
  readonly policy: string;
  readonly moves: number;
  readonly ratio: number;
  readonly limit: number;
  readonly lane: number;
  readonly wrong: number;
  readonly stuck: number;
};

/** Every policy in every world, on the same screws: mean moves, and shares in per cent. */
export function regimeBench(count = 3000, only = '', policies = /./u): readonly RegimeRow[] {
  return regimes
    .filter(({ name }) => name.includes(only))
    .flatMap((regime) => {
      const rows = (
        [
          ['clairvoyant', clairvoyant],
          ['ours, never met', () => ours(neverMet)],
          ['ours, with history', (random: Random) => ours((world) => withHistory(world, random))],
          ['ours before', () => ours((world) => ({ ...neverMet(world), model: undefined }))],
          ['half steps', () => byPlate(0.5)],
          ['plate rule', () => byPlate(1)],
        ] as const
      )
        .filter(([policy]) => policies.test(policy))
        .map(([policy, make]) => ({
          policy,
          outcomes: Array.from({ length: count }, (_, i) => {
            const world = drawWorld(regime, seededRandom(i + 1));
            return play(world, make(seededRandom(2e6 + i)), regime, seededRandom(1e6 + i));
          }),
        }));
      const mean = (outcomes: readonly Outcome[]) =>
        outcomes.reduce((sum, { moves }) => sum + moves, 0) / outcomes.length;
      const best = mean(rows[0]!.outcomes);
      return rows.map(({ policy, outcomes }) => {
        const share = (of: (outcome: Outcome) => boolean) =>
          (100 * outcomes.filter(of).length) / outcomes.length;
        return {
          regime: regime.name,
          policy,
          moves: mean(outcomes),
          ratio: mean(outcomes) / best,
          limit: share(({ passedLimit }) => passedLimit),
          lane: share(({ passedLane }) => passedLane),
          wrong: share(({ end, trulyIn }) => end === 'done' && !trulyIn),
          stuck: share(({ end }) => end !== 'done'),
        };
      });
    });
}
