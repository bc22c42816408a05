import { gaugePa, inSeconds, inTurns, paPerTurn } from '../quantity';
import { seededRandom, type Random, type Sample } from '../numerics';
import { rounded } from '../testing/rounded';
import { afterReading, afterTurn, learnedRate, startBelief, type Belief } from './belief';
import { rankCauses, type Cause } from './diagnosis';
import { learnFleet, type Lesson } from './fleet';
import type { RatePrior } from './models';
import { nextMove, type MoveAim, type NextMove } from './next-move';
import { settling } from './settling';
import { typedSettled } from './typed-settled';
import { zeroSpanView, type ZeroSpanMark, type ZeroSpanOptions } from './zero-span';

/**
 * The coach over inputs that are drawn wide, and the same each time: a figure of it that is turned by a tenth shows
 * in some line. What each judgement should be is told by the other tests; here none may change unseen.
 */
const of = <T>(random: Random, options: readonly T[]): T =>
  options[Math.floor(random.between(0, options.length - 1e-9))]!;

/** A valve, its chart and its hand, drawn as wide as they come. */
function drawnCase(seed: number) {
  const random = seededRandom(1000 + seed);
  const charted = 20_000 * 10 ** random.between(0, 1);
  const prior: RatePrior = {
    rate: paPerTurn(charted),
    sdFraction: of(random, [0.08, 0.3, 0.6]),
    direction: of(random, ['raises', 'lowers', 'unknown'] as const),
    directionTrust: of(random, [0.6, 0.85, 0.95, 0.99]),
    from: of(random, ['sheets', 'fleet', 'spring', 'family'] as const),
    ...(random.between(0, 1) < 0.8 ? { model: 2 as const } : {}),
  };
  const target = 400_000;
  const lane = charted * random.between(0.1, 0.6);
  const isUp = random.between(0, 1) < 0.6;
  const way = isUp ? 1 : -1;
  const aim: MoveAim = {
    target: gaugePa(target),
    lower: gaugePa(target - lane),
    upper: gaugePa(target + lane),
    limit: gaugePa(target + way * lane * random.between(1.05, 4)),
    approach: isUp ? 'from_below' : 'from_above',
    guard: lane * random.between(0.05, 0.3),
    chancePastLimit: of(random, [0.001, 0.02]),
    chancePastLane: of(random, [0.05, 0.15]),
    largestTurn: inTurns(of(random, [0.5, 1, 2])),
    ...(random.between(0, 1) < 0.3
      ? {
          room: {
            clockwise: inTurns(random.between(0.1, 2)),
            anticlockwise: inTurns(random.between(0.1, 2)),
          },
        }
      : {}),
  };
  const truth = charted * 2 ** random.between(-1, 1) * (prior.direction === 'lowers' ? -1 : 1);
  return { random, prior, aim, truth, start: target - way * charted * random.between(-1, 3) };
}

const told = (move: NextMove, belief: Belief): string =>
  rounded([
    move.kind,
    'turns' in move ? move.turns : 'why' in move ? move.why : '',
    'predicted' in move ? move.predicted : '',
    'chancePastLane' in move ? move.chancePastLane : '',
    learnedRate(belief),
  ]);

test.each(Array.from({ length: 36 }, (_, seed) => [seed] as const))(
  'moves, and what is learned by them: case %d',
  (seed) => {
    const { random, prior, aim, truth, start } = drawnCase(seed);
    const readingSd = Math.abs(truth) * of(random, [0.01, 0.05]);
    let reading = start;
    let belief = startBelief(prior, {
      reading: gaugePa(reading),
      readingSd,
      takenUp: of(random, ['clockwise', 'anticlockwise', 'unknown'] as const),
    });
    const lines: string[] = [];
    for (let i = 0; i < 7; i++) {
      const move = nextMove(belief, gaugePa(reading), aim);
      lines.push(told(move, belief));
      if (!('turns' in move)) break;
      reading += truth * move.turns + readingSd * random.normal();
      const shown = random.between(0, 1) < 0.1 ? reading * 1.1 : reading;
      belief = afterReading(afterTurn(belief, move.turns), gaugePa(shown), { sd: readingSd });
      reading = shown;
    }
    expect(lines).toMatchSnapshot();
  },
);

/** Answers of lines and gauges: dying out, slow after fast, swinging, creeping, late, with noise and steps of a face. */
const shapes: readonly ((t: number, a: number, tau: number) => number)[] = [
  (t, a, tau) => -a * Math.exp(-t / tau),
  (t, a, tau) => -0.8 * a * Math.exp(-t / tau) - 0.2 * a * Math.exp(-t / (6 * tau)),
  (t, a, tau) => -a * Math.exp(-t / tau) * Math.cos(t / (0.4 * tau)),
  (t, a, tau) => 0.25 * a * Math.sin(t / (0.5 * tau)),
  (t, a, tau) => 0.02 * a * (t / tau),
  (t, a, tau) => -a * Math.exp(-Math.max(0, t - 6) / tau),
  (t, a, tau) => -a * Math.exp(-t / tau) + 0.004 * a * t,
];

test.each(Array.from({ length: 42 }, (_, seed) => [seed] as const))(
  'whether it has come to rest, as it goes on: answer %d',
  (seed) => {
    const random = seededRandom(5000 + seed);
    const division = 1000;
    const shape = shapes[seed % shapes.length]!;
    const [height, tau] = [division * random.between(3, 40), random.between(1, 12)];
    const noise = division * random.between(0, 0.5);
    const every = of(random, [0.5, 1]);
    const samples: Sample[] = Array.from({ length: 120 }, (_, i) => {
      const value = 300_000 + shape(i * every, height, tau) + noise * random.normal();
      return { t: i * every, value: Math.round(value / division) * division };
    });
    const learned = random.between(0, 1) < 0.3 ? inSeconds(random.between(2, 30)) : undefined;
    const lines = [8, 10, 13, 17, 22, 28, 36, 46, 60, 78, 100, 120].map((count) =>
      rounded(settling(samples.slice(0, count), division, learned)),
    );
    expect(lines).toMatchSnapshot();
  },
);

test('two typed readings: as far apart in time, and as near in what they show, as they must be', () => {
  const after = (dt: number, dv: number) =>
    typedSettled(
      [
        { t: 0, value: 500_000 },
        { t: dt, value: 500_000 + dv },
      ],
      1000,
      inSeconds(15),
    );
  expect([after(15, 1000), after(14.9, 1000), after(15, 1002), after(30, -1000)]).toEqual([
    true,
    false,
    false,
    true,
  ]);
  expect(typedSettled([{ t: 0, value: 1 }], 1000, inSeconds(0))).toBe(false);
});

test('the word for a cause, at every hundredth', () => {
  const cause = (id: string, prior: number): Cause => ({
    id,
    title: id,
    tell: '',
    doThis: '',
    prior,
    likelihood: {},
  });
  const words = Array.from({ length: 99 }, (_, i) => {
    const share = (i + 1) / 100;
    const ranked = rankCauses([cause('a', share), cause('b', 1 - share)], {});
    return `${share} ${ranked.find((each) => each.cause.id === 'a')?.word}`;
  });
  expect(words).toMatchSnapshot();
});

test('what a fleet teaches of one that was never met', () => {
  const random = seededRandom(77);
  const lesson = (spring: string, size_dn: number, middle: number): Lesson => ({
    family: 'reducing',
    adjuster: 'main',
    spring,
    size_dn,
    log_ratio: middle + 0.2 * random.normal(),
    sd: random.between(0.02, 0.3),
  });
  const lessons = [
    ...Array.from({ length: 9 }, () => lesson('green', 80, 0.3)),
    ...Array.from({ length: 4 }, () => lesson('green', 100, -0.2)),
    ...Array.from({ length: 2 }, () => lesson('red', 80, 0.6)),
    lesson('', 50, 11.2),
    lesson('', 65, 11.6),
  ];
  expect(learnFleet(lessons).map((kind) => rounded(kind))).toMatchSnapshot();
});

test.each(Array.from({ length: 10 }, (_, seed) => [seed] as const))(
  'zero, span and angularity, turned more than read: case %d',
  (seed) => {
    const random = seededRandom(9000 + seed);
    const screws = of(random, [
      ['zero', 'span'],
      ['zero', 'span', 'angularity'],
    ] as const);
    const noise = random.between(0.001, 0.008);
    const options: ZeroSpanOptions = {
      screws: [...screws],
      tolerance: of(random, [0.005, 0.01, 0.02]),
      uncertainty: random.between(0.0005, 0.004),
      noise,
      guard: 2 * noise,
      spanFactor: random.between(1.2, 2.5),
      angularityFactor: random.between(2, 6),
      perTurn: seed % 3 === 0 ? {} : { zero: 0.06, span: 0.1 },
    };
    const truth = {
      low: random.between(-0.06, 0.06),
      mid: random.between(-0.03, 0.03),
      high: random.between(-0.06, 0.06),
    };
    const marks: ZeroSpanMark[] = [];
    const lines: string[] = [];
    for (let i = 0; i < 14; i++) {
      const view = zeroSpanView(marks, options);
      lines.push(rounded([view.move, view.errors, view.perTurn, view.roundsToGo]));
      const { move } = view;
      if (move.kind === 'go') {
        const error = truth[move.spot] + noise * 0.2 * random.normal();
        marks.push({ kind: 'read', spot: move.spot, error });
      } else if (move.kind === 'turn') {
        marks.push({ kind: 'turned', screw: move.screw, turns: move.turns });
        for (const spot of ['low', 'mid', 'high'] as const)
          truth[spot] += 0.08 * move.turns * random.between(0.2, 1);
      } else break;
    }
    expect(lines).toMatchSnapshot();
  },
);
