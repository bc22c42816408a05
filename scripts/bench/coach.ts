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

/** A screw in miniature: true rate, bend, play and direction, read by a noisy gauge. */
type Miniature = {
  readonly target: number;
  readonly start: number;
  readonly plateRate: number;
  readonly rate: number;
  readonly bend: number;
  readonly backlash: number;
  readonly sense: 1 | -1;
  readonly span: number;
};
type Outcome = {
  moves: number;
  passedLane: boolean;
  passedLimit: boolean;
  trulyIn: boolean;
  isDone: boolean;
};
type Policy = {
  begin: (mini: Miniature, reading: number) => void;
  turned: (turns: number, reading: number) => void;
  next: (reading: number) => number | 'done';
};

const TURN_NOISE = 0.04;
const MOST = 40;

function draw(random: Random): Miniature {
  const plateRate = random.between(100e3, 400e3);
  const distance = random.between(1.5, 4);
  return {
    target: distance * plateRate,
    plateRate,
    rate: plateRate * random.between(0.7, 1.3),
    bend: random.between(-0.2, 0.2),
    backlash: random.between(0, 0.25),
    sense: random.uniform() < 0.03 ? -1 : 1,
    span: distance,
    start: 0,
  };
}

function play(mini: Miniature, policy: Policy, random: Random): Outcome {
  const noise = 0.005 * mini.target;
  let screw = 0;
  let carried = 0;
  const y0 = carried;
  // Rate runs from (1 − bend/2) at the start to (1 + bend/2) at the far end of the distance.
  const pressure = () => {
    const y = carried - y0;
    return (
      mini.start +
      mini.sense * mini.rate * y * (1 - mini.bend / 2 + (mini.bend * y) / (2 * mini.span))
    );
  };
  const read = () => pressure() + noise * random.normal();
  const lane = 0.03 * mini.target;
  let reading = read();
  policy.begin(mini, reading);
  const outcome = {
    moves: 0,
    passedLane: false,
    passedLimit: false,
    trulyIn: false,
    isDone: false,
  };
  while (outcome.moves < MOST) {
    const turns = policy.next(reading);
    if (turns === 'done') {
      outcome.isDone = true;
      break;
    }
    outcome.moves += 1;
    screw += turns + TURN_NOISE * random.normal();
    carried = Math.min(screw, Math.max(screw - mini.backlash, carried));
    outcome.passedLane ||= pressure() > mini.target + lane;
    outcome.passedLimit ||= pressure() > mini.target * 1.12;
    reading = read();
    policy.turned(turns, reading);
  }
  outcome.trulyIn = Math.abs(pressure() - mini.target) <= lane;
  return outcome;
}

/** Stops as ours does: reading inside the lane less the gauge's expanded uncertainty. */
const isIn = (mini: Miniature, reading: number) =>
  Math.abs(reading - mini.target) <= (0.03 - 0.01) * mini.target;

function plateRule(share: number): Policy {
  let mini: Miniature;
  return {
    begin: (given) => {
      mini = given;
    },
    turned: () => undefined,
    next: (reading) =>
      isIn(mini, reading) ? 'done' : eighths(((mini.target - reading) / mini.plateRate) * share),
  };
}
const eighths = (turns: number) => {
  const rounded = Math.trunc(turns * 8) / 8;
  return rounded === 0 ? Math.sign(turns) / 16 : rounded;
};

const aimFor = (target: number): MoveAim => ({
  target: gaugePa(target),
  lower: gaugePa(target * 0.97),
  upper: gaugePa(target * 1.03),
  limit: gaugePa(target * 1.12),
  approach: 'from_below',
  guard: 0.01 * target,
  chancePastLimit: defaultHouseRules.chance_past_limit,
  chancePastLane: defaultHouseRules.chance_past_lane,
  largestTurn: inTurns(4),
});

function ours(priorOf: (mini: Miniature) => RatePrior): Policy {
  let belief: Belief;
  let mini: Miniature;
  const sd = () => 0.005 * mini.target;
  return {
    begin: (given, reading) => {
      mini = given;
      belief = startBelief(priorOf(given), {
        reading: gaugePa(reading),
        readingSd: sd(),
        takenUp: 'anticlockwise',
      });
    },
    turned: (turns, reading) => {
      belief = afterReading(afterTurn(belief, inTurns(turns)), gaugePa(reading), { sd: sd() });
    },
    next: (reading) => {
      const move = nextMove(belief, gaugePa(reading), aimFor(mini.target));
      return 'turns' in move ? move.turns : 'done';
    },
  };
}

/** Knows rate, bend, play and direction; only hand and gauge are uncertain, and the same bounds hold. */
function clairvoyant(): Policy {
  let belief: Belief;
  let mini: Miniature;
  let travelled = 0;
  let lastTurn = 0;
  const rebuild = (reading: number, readingSd: number, setPoint?: number) => {
    const local = mini.rate * (1 - mini.bend / 2 + (mini.bend * travelled) / mini.span);
    const prior: RatePrior = {
      rate: paPerTurn(local),
      sdFraction: 0.01,
      direction: mini.sense === 1 ? 'raises' : 'lowers',
      directionTrust: 1,
      from: 'sheets',
    };
    const fresh = startBelief(prior, {
      reading: gaugePa(setPoint ?? reading),
      readingSd,
      takenUp: lastTurn > 0 ? 'clockwise' : 'anticlockwise',
    });
    const nearest = fresh.hypotheses.reduce((a, b) =>
      Math.abs(b.backlash - mini.backlash) < Math.abs(a.backlash - mini.backlash) ? b : a,
    ).backlash;
    const kept = fresh.hypotheses.filter((h) => h.backlash === nearest);
    const total = kept.reduce((sum, h) => sum + h.weight, 0);
    return { ...fresh, hypotheses: kept.map((h) => ({ ...h, weight: h.weight / total })) };
  };
  return {
    begin: (given, reading) => {
      mini = given;
      travelled = 0;
      lastTurn = 0;
      belief = rebuild(reading, 0.005 * mini.target);
    },
    turned: (turns, reading) => {
      lastTurn = turns;
      travelled += turns * mini.sense;
      belief = rebuild(reading, 0.005 * mini.target);
    },
    next: (reading) => {
      const move = nextMove(belief, gaugePa(reading), aimFor(mini.target));
      return 'turns' in move ? move.turns : 'done';
    },
  };
}

const priorFrom = (
  rate: number,
  sdFraction: number,
  trust: number,
  from: RatePrior['from'],
): RatePrior => ({
  rate: paPerTurn(rate),
  sdFraction,
  direction: 'raises',
  directionTrust: trust,
  from,
});

/** Mean and p95 moves and shares in per cent, for each policy on the same screws. */
export function coachBench(count = 20_000) {
  const policies: Record<string, (random: Random) => Policy> = {
    'half steps by the plate': () => plateRule(0.5),
    'plate rule': () => plateRule(1),
    'ours, never met': () => ours((m) => priorFrom(m.plateRate, 0.25, 0.98, 'spring')),
    'ours, last sheet within 10 %': (random) =>
      ours((m) => ({
        ...priorFrom(m.rate * (1 + 0.1 * random.between(-1, 1)), 0.1, 0.995, 'sheets'),
        direction: m.sense === 1 ? 'raises' : 'lowers',
      })),
    clairvoyant: () => clairvoyant(),
  };
  return Object.entries(policies).map(([name, make]) => {
    const random = seededRandom(20_261_124);
    const tally: Outcome[] = [];
    for (let i = 0; i < count; i++) {
      const mini = draw(seededRandom(i + 1));
      tally.push(play(mini, make(random), seededRandom(1e6 + i)));
    }
    const moves = tally.map((o) => o.moves).sort((a, b) => a - b);
    const share = (of: (o: Outcome) => boolean) => (100 * tally.filter(of).length) / count;
    const done = tally.filter((o) => o.isDone);
    return {
      policy: name,
      mean: moves.reduce((a, b) => a + b, 0) / count,
      p95: moves[Math.floor(0.95 * count)]!,
      pastLane: share((o) => o.passedLane),
      pastLimit: share((o) => o.passedLimit),
      inLaneWhenDone: (100 * done.filter((o) => o.trulyIn).length) / done.length,
      gaveUp: 100 - (100 * done.length) / count,
    };
  });
}
