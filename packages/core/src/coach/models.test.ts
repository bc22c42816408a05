import { gaugePa, inTurns, paPerTurn } from '../quantity';
import { seededRandom } from '../numerics';
import { afterReading, afterTurn, startBelief, type Belief } from './belief';
import { coachModels, type RatePrior } from './models';
import { nextMove, type MoveAim } from './next-move';

const prior: RatePrior = {
  rate: paPerTurn(180_000),
  sdFraction: 0.25,
  direction: 'raises',
  directionTrust: 0.98,
  from: 'spring',
  model: 2,
};
const aim: MoveAim = {
  target: gaugePa(520_000),
  lower: gaugePa(504_000),
  upper: gaugePa(536_000),
  limit: gaugePa(582_000),
  approach: 'from_below',
  guard: 3000,
  chancePastLimit: 0.005,
  chancePastLane: 0.075,
  largestTurn: inTurns(3),
};
const SD = 1500;
const begin = (over: Partial<RatePrior> = {}) =>
  startBelief(
    { ...prior, ...over },
    { reading: gaugePa(0), readingSd: SD, takenUp: 'anticlockwise' },
  );
const weightOf = ({ hypotheses }: Belief) => hypotheses.reduce((sum, h) => sum + h.weight, 0);

/** One screw set by the coach: the highest pressure on the way, and how it ended. */
function set(world: { rate: number; wild?: number; seed: number }, over: Partial<RatePrior> = {}) {
  const random = seededRandom(world.seed);
  let belief = begin(over);
  let [screw, carried, highest, reading, moves] = [0, 0, 0, 0, 0];
  const read = () => {
    const true_ = Math.max(0, carried * world.rate) + SD * random.normal();
    return random.uniform() < (world.wild ?? 0) ? true_ * 1.1 : true_;
  };
  for (let i = 0; i < 60 && moves < 25; i++) {
    const move = nextMove(belief, gaugePa(reading), aim);
    if (move.kind === 'done' || move.kind === 'stuck')
      return { end: move.kind, highest, moves, at: carried * world.rate };
    if (move.kind === 'read_again') {
      reading = read();
      belief = afterReading(belief, gaugePa(reading), { sd: SD, floor: 0 });
      continue;
    }
    moves += 1;
    screw += move.turns + 0.04 * random.normal();
    carried = Math.min(screw, Math.max(screw - 0.1, carried));
    highest = Math.max(highest, carried * world.rate);
    reading = read();
    belief = afterReading(afterTurn(belief, move.turns), gaugePa(reading), { sd: SD, floor: 0 });
  }
  return { end: 'never', highest, moves, at: carried * world.rate };
}

describe('what the coach holds possible', () => {
  test.each(['spring', 'family', 'sheets'] as const)('from %s: shares of one whole', (from) => {
    const rates = coachModels[2].ratesOf({ rate: paPerTurn(1), sdFraction: 0.1, from });
    expect(rates.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9);
    expect(weightOf(begin({ from }))).toBeCloseTo(1, 9);
  });

  test('runs of before reason as they were begun: one rate, one hand, no doubt', () => {
    const before = begin({ model: undefined });
    expect(new Set(before.hypotheses.map(({ rate }) => Math.abs(rate)))).toEqual(
      new Set([180_000]),
    );
    const read = afterReading(afterTurn(before, inTurns(1)), gaugePa(900_000), { sd: SD });
    expect(read.doubt).toBe(0);
    expect(nextMove(read, gaugePa(900_000), aim).kind).not.toBe('read_again');
  });

  test('a reading adds no more hypotheses than a move can depend on', () => {
    let belief = begin();
    for (let i = 0; i < 6; i++)
      belief = afterReading(afterTurn(belief, inTurns(0.25)), gaugePa(40_000 * i), {
        sd: SD,
        floor: 0,
      });
    expect(belief.hypotheses.length).toBeLessThanOrEqual(160);
    expect(weightOf(belief)).toBeCloseTo(1, 3);
  });
});

describe('a world that is worse than the plate says', () => {
  const seeds = Array.from({ length: 16 }, (_, i) => i + 1);
  test.each([0.5, 1, 1.75, 2])(
    'a spring %d times as stiff never takes it past the limit',
    (times) => {
      const ends = seeds.map((seed) => set({ rate: 180_000 * times, seed }));
      expect(ends.filter(({ highest }) => highest > aim.limit)).toEqual([]);
      expect(ends.filter(({ end }) => end !== 'done')).toEqual([]);
      for (const { at } of ends) expect(Math.abs(at - aim.target)).toBeLessThanOrEqual(16_000);
    },
  );

  test('the first way, on the same springs, did pass it', () => {
    const ends = seeds.map((seed) => set({ rate: 360_000, seed }, { model: undefined }));
    expect(ends.filter(({ highest }) => highest > aim.limit).length).toBeGreaterThan(4);
  });

  test('readings that are wrong now and then end nothing wrongly', () => {
    const ends = seeds.map((seed) => set({ rate: 200_000, wild: 0.1, seed }));
    expect(ends.filter(({ highest }) => highest > aim.limit)).toEqual([]);
    for (const { at, end } of ends)
      if (end === 'done') expect(Math.abs(at - aim.target)).toBeLessThanOrEqual(16_000);
  });

  test('a reading that does not fit is taken again, three times at most', () => {
    let belief = afterReading(
      afterTurn(begin({ from: 'sheets', sdFraction: 0.1 }), inTurns(2)),
      gaugePa(370_000),
      {
        sd: SD,
        floor: 0,
      },
    );
    belief = afterReading(afterTurn(belief, inTurns(0.5)), gaugePa(540_000), { sd: SD, floor: 0 });
    expect(belief.doubt).toBeGreaterThan(0.25);
    expect(nextMove(belief, gaugePa(540_000), aim).kind).toBe('read_again');
    const again = afterReading(belief, gaugePa(462_000), { sd: SD, floor: 0 });
    expect(again.doubt).toBeLessThan(0.25);
    expect(nextMove(again, gaugePa(462_000), aim).kind).toBe('turn');
    const never = { ...belief, readings: 3 };
    expect(nextMove(never, gaugePa(540_000), aim).kind).not.toBe('read_again');
  });

  test('a screw that a hand cannot set so finely is named, not tried for ever', () => {
    const coarse = afterReading(
      afterTurn(
        begin({ rate: paPerTurn(2_000_000), from: 'sheets', sdFraction: 0.1 }),
        inTurns(0.25),
      ),
      gaugePa(480_000),
      { sd: SD, floor: 0 },
    );
    expect(nextMove(coarse, gaugePa(480_000), aim)).toEqual({ kind: 'stuck', why: 'too_coarse' });
  });

  test('too near for a turn but not there, it goes back and comes again', () => {
    const coarse = afterReading(
      afterTurn(
        begin({ rate: paPerTurn(620_000), from: 'sheets', sdFraction: 0.1 }),
        inTurns(0.75),
      ),
      gaugePa(496_000),
      { sd: SD, floor: 0 },
    );
    expect(nextMove(coarse, gaugePa(496_000), aim).kind).toBe('back_off');
  });
});

describe('a version of the model', () => {
  const told = (over: Partial<RatePrior>) =>
    coachModels[2]
      .ratesOf({ ...prior, ...over })
      .map(({ rate, sd, weight }) => [
        Number((rate / prior.rate).toPrecision(6)),
        Number((sd / rate).toPrecision(6)),
        weight,
      ]);

  test('stays as it is: runs that were begun with it are thought through by it for ever', () => {
    const { ratesOf: _, ...one } = coachModels[1];
    const { ratesOf: _two, ...two } = coachModels[2];
    expect(one).toEqual({
      backlashes: [0, 0.04, 0.08, 0.12, 0.16, 0.2, 0.25, 0.3, 0.4],
      hands: [{ sd: 0.04, weight: 1 }],
      noise: { wander: 0.07, slip: 0, wildShare: 0, wildSd: 0 },
    });
    expect(two).toEqual({
      backlashes: [0, 0.06, 0.12, 0.19, 0.28, 0.4],
      hands: [
        { sd: 0.04, weight: 0.8 },
        { sd: 0.09, weight: 0.2 },
      ],
      noise: { wander: 0.1, slip: 0.005, wildShare: 0.02, wildSd: 0.12 },
    });
    expect(coachModels[1].ratesOf(prior)).toEqual([{ rate: 180_000, sd: 45_000, weight: 1 }]);
    expect([told({}), told({ from: 'family' })]).toMatchSnapshot();
    expect(told({ from: 'sheets', sdFraction: 0.1 })).toEqual([
      [1, 0.1, 0.99],
      [0.6, 0.2, 0.005],
      [1.6, 0.2, 0.005],
    ]);
    expect(told({ from: 'fleet', sdFraction: 0.1 })).toEqual([
      [1, 0.1, 0.96],
      [0.62, 0.2, 0.02],
      [1.6, 0.2, 0.02],
    ]);
  });

  test('weighs whole: the shares of all that it thinks possible come to one', () => {
    for (const from of ['spring', 'family', 'sheets', 'fleet'] as const)
      expect(told({ from }).reduce((sum, [, , weight]) => sum + weight!, 0)).toBeCloseTo(1, 9);
  });
});
