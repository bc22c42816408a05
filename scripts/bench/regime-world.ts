import type { Random } from '@holvek/core';

/** A world that the coach does not know: what its screws, hands, gauges and eyes are like. */
export type Regime = {
  readonly name: string;
  /** True rate over the plate's: log-uniform between. */
  readonly rate: readonly [number, number];
  readonly bend: number;
  readonly backlash: number;
  /** Largest stick-slip, as a share of the target. */
  readonly slip: number;
  readonly hand: readonly [number, number];
  /** Tolerance over the gauge's own uncertainty. */
  readonly tur: readonly [number, number];
  readonly reversed: number;
  readonly wild: number;
  /** Turns from where it stands to the target, by the true rate. */
  readonly distance: readonly [number, number];
};

const ordinary: Omit<Regime, 'name'> = {
  rate: [0.7, 1.3],
  bend: 0.2,
  backlash: 0.25,
  slip: 0,
  hand: [0.04, 0.04],
  tur: [4, 6],
  reversed: 0.03,
  wild: 0,
  distance: [1.5, 4],
};
export const regimes: readonly Regime[] = [
  { name: 'ordinary', ...ordinary },
  { name: 'rate ½ … 2', ...ordinary, rate: [0.5, 2] },
  { name: 'spring 1.75 ×', ...ordinary, rate: [1.75, 1.75] },
  { name: 'spring 2 ×', ...ordinary, rate: [2, 2] },
  { name: 'spring ½ ×', ...ordinary, rate: [0.5, 0.5] },
  { name: 'bent ±60 %', ...ordinary, bend: 0.6 },
  { name: 'hand 0.1 turn', ...ordinary, hand: [0.1, 0.1] },
  { name: 'wild readings 3 %', ...ordinary, wild: 0.03 },
  { name: 'wild readings 10 %', ...ordinary, wild: 0.1 },
  { name: 'short screws', ...ordinary, distance: [0.5, 1.2] },
  {
    name: 'everything at once',
    rate: [0.5, 2],
    bend: 0.6,
    backlash: 0.4,
    slip: 0.025,
    hand: [0.04, 0.1],
    tur: [2, 6],
    reversed: 0.03,
    wild: 0.03,
    distance: [0.5, 4],
  },
];

export type World = {
  readonly target: number;
  readonly plateRate: number;
  readonly rate: number;
  readonly bend: number;
  readonly backlash: number;
  readonly sense: 1 | -1;
  readonly span: number;
  readonly hand: number;
  readonly slip: number;
  /** Expanded uncertainty of a reading, and its division. */
  readonly guard: number;
  readonly division: number;
};

/** Half the lane and the way to the limit, as shares of the target. */
export const LANE = 0.03;
export const LIMIT = 0.12;
const MOST = 40;
/** A spring that hangs slack reads nothing. */
export const SLACK = 0;

const within = (random: Random, [low, high]: readonly [number, number]): number =>
  low === high ? low : random.between(low, high);

export function drawWorld(regime: Regime, random: Random): World {
  const plateRate = random.between(100e3, 400e3);
  const [low, high] = regime.rate;
  const rate = plateRate * Math.exp(within(random, [Math.log(low), Math.log(high)]));
  const span = within(random, regime.distance);
  const target = span * rate;
  const guard = (LANE * target) / within(random, regime.tur);
  return {
    target,
    plateRate,
    rate,
    bend: random.between(-regime.bend, regime.bend),
    backlash: random.between(0, regime.backlash),
    sense: random.uniform() < regime.reversed ? -1 : 1,
    span,
    hand: within(random, regime.hand),
    slip: regime.slip * random.uniform() * target,
    guard,
    division: guard / 2,
  };
}

export type Policy = {
  readonly begin: (world: World, reading: number) => void;
  readonly turned: (turns: number, reading: number) => void;
  readonly readAgain?: (reading: number) => void;
  readonly next: (reading: number) => number | 'done' | 'again' | 'stuck';
};
export type Outcome = {
  moves: number;
  passedLane: boolean;
  passedLimit: boolean;
  end: 'done' | 'stuck' | 'never';
  trulyIn: boolean;
};

/** One valve brought to its setting; rate runs from (1 − bend/2) at the start to (1 + bend/2) at the target. */
export function play(world: World, policy: Policy, regime: Regime, random: Random): Outcome {
  const { sense, rate, bend, span, target } = world;
  let carried = 0;
  let screw = 0;
  let stuckAt = 0;
  const ideal = () => sense * rate * carried * (1 - bend / 2 + (bend * carried) / (2 * span));
  const pressure = () => Math.max(0, ideal() + stuckAt);
  const read = () => {
    const noisy = pressure() + (world.guard / 4) * random.normal();
    const rounded = Math.round(noisy / world.division) * world.division;
    return random.uniform() < regime.wild
      ? rounded * (random.uniform() < 0.5 ? 0.9 : 1.1)
      : rounded;
  };
  let reading = read();
  policy.begin(world, reading);
  const outcome: Outcome = {
    moves: 0,
    passedLane: false,
    passedLimit: false,
    end: 'never',
    trulyIn: false,
  };
  for (let i = 0; i < 3 * MOST && outcome.moves < MOST; i++) {
    const next = policy.next(reading);
    if (next === 'done' || next === 'stuck') {
      outcome.end = next;
      break;
    }
    if (next === 'again') {
      reading = read();
      policy.readAgain?.(reading);
      continue;
    }
    outcome.moves += 1;
    screw += next + world.hand * random.normal();
    carried = Math.min(screw, Math.max(screw - world.backlash, carried));
    stuckAt = world.slip * (2 * random.uniform() - 1);
    outcome.passedLane ||= pressure() > target * (1 + LANE);
    outcome.passedLimit ||= pressure() > target * (1 + LIMIT);
    reading = read();
    policy.turned(next, reading);
  }
  outcome.trulyIn = Math.abs(pressure() - target) <= LANE * target;
  return outcome;
}
