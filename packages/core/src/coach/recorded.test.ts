import { gaugePa, inTurns, paPerTurn } from '../quantity';
import { seededRandom, type Sample } from '../numerics';
import { rounded } from '../testing/rounded';
import { afterReading, afterTurn, believedSetPoint, learnedRate, startBelief } from './belief';
import type { RatePrior } from './models';
import { answerOf, checkTurn, rankCauses, type Cause } from './diagnosis';
import { costedShare, edgeSearch, middleOf, type Light } from './edges';
import { nextMove, type MoveAim } from './next-move';
import { settling } from './settling';
import { zeroSpanView, type ZeroSpanMark, type ZeroSpanOptions } from './zero-span';

/**
 * The coach's judgements, recorded over inputs that are the same each time. A line that changes here
 * is another judgement at a valve: it is looked at, and belongs in the changelog.
 */
const prior: RatePrior = {
  rate: paPerTurn(90_000),
  sdFraction: 0.3,
  direction: 'raises',
  directionTrust: 0.95,
  from: 'spring',
};
const upwards: MoveAim = {
  target: gaugePa(520_000),
  lower: gaugePa(505_000),
  upper: gaugePa(535_000),
  limit: gaugePa(600_000),
  approach: 'from_below',
  guard: 2500,
  chancePastLimit: 0.02,
  chancePastLane: 0.08,
  largestTurn: inTurns(2),
};
const downwards: MoveAim = { ...upwards, limit: gaugePa(450_000), approach: 'from_above' };

test.each([
  ['raises from below', prior, upwards, 'anticlockwise', 210_000, 0.1],
  ['lowers from above', { ...prior, direction: 'lowers' }, downwards, 'unknown', 760_000, 0.2],
  ['unknown direction', { ...prior, direction: 'unknown' }, upwards, 'unknown', 300_000, 0.05],
  [
    'little room',
    prior,
    { ...upwards, room: { clockwise: inTurns(0.6), anticlockwise: inTurns(3) } },
    'clockwise',
    350_000,
    0,
  ],
] as const)('moves and what is believed after each: %s', (_, over, aim, takenUp, start, play) => {
  const random = seededRandom(7);
  let belief = startBelief(over, { reading: gaugePa(start), readingSd: 1200, takenUp });
  let reading: number = start;
  const lines: string[] = [];
  for (let i = 0; i < 8; i++) {
    const move = nextMove(belief, gaugePa(reading), aim);
    lines.push(rounded({ reading, move, learned: learnedRate(belief) }));
    if (!('turns' in move)) break;
    const raises = over.direction === 'lowers' ? -1 : 1;
    const carried =
      Math.sign(move.turns) * Math.max(0, Math.abs(move.turns) - (i === 0 ? play : 0));
    reading += raises * carried * 82_000 + 900 * random.normal();
    belief = afterReading(afterTurn(belief, move.turns), gaugePa(reading), { sd: 1200 });
  }
  expect(lines).toMatchSnapshot();
});

test('a start parked beyond what the gauge shows', () => {
  const belief = startBelief(prior, {
    reading: gaugePa(0),
    readingSd: 1200,
    takenUp: 'anticlockwise',
    parkedAt: inTurns(3.5),
  });
  expect([
    rounded(learnedRate(belief)),
    rounded(nextMove(belief, gaugePa(0), upwards)),
  ]).toMatchSnapshot();
});

test('readings at the ends of what a gauge can show', () => {
  const begun = afterTurn(
    startBelief(prior, { reading: gaugePa(300_000), readingSd: 1200, takenUp: 'unknown' }),
    inTurns(1.5),
  );
  const reads: readonly (readonly [reading: number, floor?: number, ceiling?: number])[] = [
    [410_000],
    [430_000, 0, 433_000],
    [432_000, 0, 433_000],
    [500_000, 0, 433_000],
    [431_500, 0, 434_000],
    [0, 0],
    [2300, 0],
    [2500, 0],
  ];
  const lines = reads.map(([reading, floor, ceiling]) => {
    const after = afterReading(begun, gaugePa(reading), { sd: 1200, floor, ceiling });
    const weights = after.hypotheses.reduce((sum, { weight }) => sum + weight, 0);
    expect(weights).toBeCloseTo(1, 7);
    return rounded({
      reading,
      rate: learnedRate(after),
      setPoint: believedSetPoint(after),
      next: nextMove(after, gaugePa(reading), upwards),
    });
  });
  expect(lines).toMatchSnapshot();
});

test('whether a pressure has come to rest, second by second', () => {
  const shapes: Readonly<Record<string, (t: number) => number>> = {
    decay: (t) => 500_000 - 90_000 * Math.exp(-t / 7),
    slow: (t) => 500_000 + 40_000 * Math.exp(-t / 45),
    hunts: (t) => 500_000 + 9000 * Math.sin(t / 1.7),
    ramp: (t) => 480_000 + 700 * t,
    step: (t) => (t < 11 ? 470_000 : 500_000),
  };
  const lines = Object.entries(shapes).flatMap(([name, shape]) => {
    const random = seededRandom(3);
    const samples: Sample[] = Array.from({ length: 90 }, (_, i) => ({
      t: i * 0.5,
      value: shape(i * 0.5) + 250 * random.normal(),
    }));
    return [4, 9, 14, 22, 34, 50, 70, 90].map(
      (count) => `${name} ${count} ${rounded(settling(samples.slice(0, count), 1000))}`,
    );
  });
  expect(lines).toMatchSnapshot();
});

test('how the gauge has answered a turn, on both sides of every bound', () => {
  const foretold = { mean: 300_000, low: 285_000, high: 315_000 };
  const lines = [
    190_000, 197_000, 199_000, 200_000, 211_900, 212_100, 224_000, 282_900, 283_100, 300_000,
    316_900, 317_100, 340_000, 176_100, 175_900, 187_900, 188_100,
  ].map((after) => `${after} ${answerOf(gaugePa(200_000), gaugePa(after), foretold, 1000)}`);
  const noisy = [285_000, 264_900, 230_100, 229_900, 335_100].map(
    (after) => `${after} ${answerOf(gaugePa(200_000), gaugePa(after), foretold, 10_000)}`,
  );
  expect([...lines, ...noisy]).toMatchSnapshot();
  expect(
    [0, 1 / 65, 1 / 64, -2, 2.01].map((turns) => checkTurn(inTurns(turns), inTurns(2))),
  ).toMatchSnapshot();
});

test('causes in their order, with what is not listed as background', () => {
  const cause = (id: string, prior: number, likelihood: Cause['likelihood']): Cause => ({
    id,
    title: id,
    tell: '',
    doThis: '',
    prior,
    likelihood,
  });
  const causes = [
    cause('blocked', 0.3, { answer: { no_change: 0.9, else: 0.05 }, bleed: { none: 0.8 } }),
    cause('bound', 0.2, { answer: { too_little: 0.6, no_change: 0.3 } }),
    cause('crossed', 0.05, { answer: { wrong_way: 0.95 }, bleed: { none: 0.3, steady: 0.7 } }),
  ];
  const evidence = [
    {},
    { answer: 'no_change' },
    { answer: 'no_change', bleed: 'none' },
    { answer: 'wrong_way', bleed: undefined },
    { answer: 'too_much', bleed: 'steady' },
    { answer: 'too_little', smell: 'gas' },
  ];
  const lines = evidence.map((each) =>
    rounded(
      rankCauses(causes, each).map(({ cause: { id }, probability, word }) => [
        id,
        probability,
        word,
      ]),
    ),
  );
  expect(lines).toMatchSnapshot();
});

test('both edges of a flame, light by light', () => {
  const limits = { lowest: 2000, highest: 12_000, resolution: 250, failCost: 3 };
  const lines: string[] = [];
  for (const [low, high] of [
    [3700, 9100],
    [1000, 13_000],
    [8000, 9500],
  ] as const) {
    const lights: Light[] = [];
    for (let i = 0; i < 24; i++) {
      const search = edgeSearch(lights, limits);
      if (!search.next) {
        const middle = middleOf(search, { low: 4000, high: 7000 });
        lines.push(rounded({ low: search.low, high: search.high, middle }));
        break;
      }
      lines.push(rounded(search.next));
      const { pressure } = search.next;
      lights.push({
        pressure,
        lit: pressure > low && pressure < high,
        weak: pressure > high - 300,
      });
    }
  }
  expect(lines).toMatchSnapshot();
  expect([1, 1.5, 2, 3, 5].map((cost) => rounded(costedShare(cost)))).toMatchSnapshot();
});

test.each([
  [
    'two screws',
    ['zero', 'span'],
    [
      [0.06, 0],
      [0.11, 0.42],
    ],
    0.004,
  ],
  [
    'three screws',
    ['zero', 'span', 'angularity'],
    [
      [0.05, 0],
      [-0.08, 0.37],
      [0.03, 0.22],
    ],
    0.006,
  ],
] as const)('zero, span and angularity, move by move: %s', (_, screws, moves, noise) => {
  const options: ZeroSpanOptions = {
    screws: [...screws],
    tolerance: 0.01,
    uncertainty: 0.002,
    noise,
    guard: 2 * noise,
    spanFactor: 1.8,
    angularityFactor: 4,
    perTurn: { zero: 0.07, span: 0.09, angularity: -0.05 },
  };
  const truth = { low: 0.041, mid: 0.012, high: -0.037 };
  const random = seededRandom(11);
  const marks: ZeroSpanMark[] = [];
  const lines: string[] = [];
  for (let i = 0; i < 16; i++) {
    const view = zeroSpanView(marks, options);
    lines.push(rounded(view));
    const { move } = view;
    if (move.kind === 'go')
      marks.push({
        kind: 'read',
        spot: move.spot,
        error: truth[move.spot] + 0.0004 * random.normal(),
      });
    else if (move.kind === 'turn') {
      marks.push({ kind: 'turned', screw: move.screw, turns: move.turns });
      const [own, low] = moves[screws.indexOf(move.screw as never)]!;
      truth[move.spot] += own * move.turns;
      for (const other of ['low', 'mid', 'high'] as const)
        if (other !== move.spot)
          truth[other] += own * move.turns * (move.screw === 'zero' ? 1 : low);
      marks.push({ kind: 'read', spot: move.spot, error: truth[move.spot] });
    } else break;
  }
  expect(lines).toMatchSnapshot();
});
