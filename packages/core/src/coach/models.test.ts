import { seededRandom } from '../numerics';
import { afterReading, afterTurn, startBelief, type Belief } from './belief';
import { coachModels, type RatePrior } from './models';
import { nextMove, type MoveAim } from './next-move';

const prior: RatePrior = {
  rate: 180_000,
  sdFraction: 0.25,
  direction: 'raises',
  directionTrust: 0.98,
  from: 'spring',
  model: 2,
};
const aim: MoveAim = {
  target: 520_000,
  lower: 504_000,
  upper: 536_000,
  limit: 582_000,
  approach: 'from_below',
  guard: 3000,
  chancePastLimit: 0.005,
  chancePastLane: 0.075,
  largestTurn: 3,
};
const SD = 1500;
const begin = (over: Partial<RatePrior> = {}) =>
  startBelief({ ...prior, ...over }, { reading: 0, readingSd: SD, takenUp: 'anticlockwise' });
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
    const move = nextMove(belief, reading, aim);
    if (move.kind === 'done' || move.kind === 'stuck')
      return { end: move.kind, highest, moves, at: carried * world.rate };
    if (move.kind === 'read_again') {
      reading = read();
      belief = afterReading(belief, reading, SD, 0);
      continue;
    }
    moves += 1;
    screw += move.turns + 0.04 * random.normal();
    carried = Math.min(screw, Math.max(screw - 0.1, carried));
    highest = Math.max(highest, carried * world.rate);
    reading = read();
    belief = afterReading(afterTurn(belief, move.turns), reading, SD, 0);
  }
  return { end: 'never', highest, moves, at: carried * world.rate };
}

describe('what the coach holds possible', () => {
  test.each(['spring', 'family', 'sheets'] as const)('from %s: shares of one whole', (from) => {
    const rates = coachModels[2].ratesOf({ rate: 1, sdFraction: 0.1, from });
    expect(rates.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9);
    expect(weightOf(begin({ from }))).toBeCloseTo(1, 9);
  });

  test('runs of before reason as they were begun: one rate, one hand, no doubt', () => {
    const before = begin({ model: undefined });
    expect(new Set(before.hypotheses.map(({ rate }) => Math.abs(rate)))).toEqual(
      new Set([180_000]),
    );
    const read = afterReading(afterTurn(before, 1), 900_000, SD);
    expect(read.doubt).toBe(0);
    expect(nextMove(read, 900_000, aim).kind).not.toBe('read_again');
  });

  test('a reading adds no more hypotheses than a move can depend on', () => {
    let belief = begin();
    for (let i = 0; i < 6; i++) belief = afterReading(afterTurn(belief, 0.25), 40_000 * i, SD, 0);
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
      afterTurn(begin({ from: 'sheets', sdFraction: 0.1 }), 2),
      370_000,
      SD,
      0,
    );
    belief = afterReading(afterTurn(belief, 0.5), 540_000, SD, 0);
    expect(belief.doubt).toBeGreaterThan(0.25);
    expect(nextMove(belief, 540_000, aim).kind).toBe('read_again');
    const again = afterReading(belief, 462_000, SD, 0);
    expect(again.doubt).toBeLessThan(0.25);
    expect(nextMove(again, 462_000, aim).kind).toBe('turn');
    const never = { ...belief, readings: 3 };
    expect(nextMove(never, 540_000, aim).kind).not.toBe('read_again');
  });

  test('a screw that a hand cannot set so finely is named, not tried for ever', () => {
    const coarse = afterReading(
      afterTurn(begin({ rate: 2_000_000, from: 'sheets', sdFraction: 0.1 }), 0.25),
      480_000,
      SD,
      0,
    );
    expect(nextMove(coarse, 480_000, aim)).toEqual({ kind: 'stuck', why: 'too_coarse' });
  });

  test('too near for a turn but not there, it goes back and comes again', () => {
    const coarse = afterReading(
      afterTurn(begin({ rate: 620_000, from: 'sheets', sdFraction: 0.1 }), 0.75),
      496_000,
      SD,
      0,
    );
    expect(nextMove(coarse, 496_000, aim).kind).toBe('back_off');
  });
});
