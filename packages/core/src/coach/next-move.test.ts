import { gaugePa, inTurns, paPerTurn } from '../quantity';
import fc from 'fast-check';
import { seededRandom } from '../numerics';
import { afterReading, afterTurn, startBelief, type Belief } from './belief';
import type { RatePrior } from './models';
import { nextMove, type MoveAim } from './next-move';

const prior: RatePrior = {
  rate: paPerTurn(200_000),
  sdFraction: 0.25,
  direction: 'raises',
  directionTrust: 0.98,
  from: 'spring',
};
const aim: MoveAim = {
  target: gaugePa(520_000),
  lower: gaugePa(505_000),
  upper: gaugePa(535_000),
  limit: gaugePa(660_000),
  approach: 'from_below',
  guard: 3000,
  chancePastLimit: 0.01,
  chancePastLane: 0.08,
  largestTurn: inTurns(3),
};
const at = (reading: number, over: Partial<RatePrior> = {}): Belief =>
  startBelief(
    { ...prior, ...over },
    { reading: gaugePa(reading), readingSd: 1000, takenUp: 'clockwise' },
  );

describe('next move', () => {
  test('inside the lane less the guard there is nothing more to do', () => {
    expect(nextMove(at(520_000), gaugePa(520_000), aim)).toEqual({
      kind: 'done',
      reading: 520_000,
    });
  });

  test('at the very edge the gauge’s uncertainty forbids to say done', () => {
    expect(nextMove(at(506_000), gaugePa(506_000), aim).kind).toBe('turn');
  });

  test('far below it turns clockwise, short of what the plate alone would say', () => {
    const move = nextMove(at(0), gaugePa(0), aim);
    expect(move.kind).toBe('turn');
    if (move.kind !== 'turn') return;
    expect(move.turns).toBeGreaterThan(1);
    expect(move.turns).toBeLessThan(2.6);
    expect(move.predicted.low).toBeLessThan(move.predicted.mean);
    expect(move.predicted.high).toBeGreaterThan(move.predicted.mean);
  });

  test('a plate that lowers clockwise is turned anticlockwise to come up', () => {
    const move = nextMove(at(300_000, { direction: 'lowers' }), gaugePa(300_000), aim);
    expect('turns' in move && move.turns).toBeLessThan(0);
  });

  test('an unknown direction is probed with a small turn', () => {
    const move = nextMove(at(300_000, { direction: 'unknown' }), gaugePa(300_000), aim);
    expect(move.kind).toBe('probe');
    expect('turns' in move && Math.abs(move.turns)).toBeLessThanOrEqual(0.5);
  });

  test('from above it comes back above the lane, and either way by no more than that takes', () => {
    const down: MoveAim = { ...aim, approach: 'from_above', limit: gaugePa(400_000) };
    const quarter = (aim.upper - aim.lower) / 4;
    for (const [start, towards] of [
      [575_000, aim],
      [465_000, down],
    ] as const) {
      const move = nextMove(at(start), gaugePa(start), towards);
      expect(move.kind).toBe('back_off');
      if (move.kind !== 'back_off') continue;
      const { mean } = move.predicted;
      const past = towards === aim ? aim.lower - mean : mean - aim.upper;
      expect(past).toBeGreaterThanOrEqual(quarter);
      expect(past).toBeLessThan(quarter + 2 * 12_500);
    }
  });

  test('gone past, it comes back below the lane before it approaches again', () => {
    const move = nextMove(at(560_000), gaugePa(560_000), aim);
    expect(move.kind).toBe('back_off');
    if (move.kind !== 'back_off') return;
    expect(move.turns).toBeLessThan(0);
    expect(move.predicted.mean).toBeLessThan(aim.lower);
  });

  test('from above it mirrors', () => {
    const down: MoveAim = {
      ...aim,
      approach: 'from_above',
      limit: gaugePa(Number.POSITIVE_INFINITY),
    };
    const move = nextMove(at(800_000), gaugePa(800_000), down);
    expect(move.kind).toBe('turn');
    expect('turns' in move && move.turns).toBeLessThan(0);
  });

  test('at the end of its travel it says so', () => {
    const room = { clockwise: inTurns(0), anticlockwise: inTurns(8) };
    expect(nextMove(at(300_000), gaugePa(300_000), { ...aim, room })).toEqual({
      kind: 'stuck',
      why: 'end_of_travel',
    });
  });

  test('turns are eighths, sixteenths when little is left, a thirty-second at the last', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 503_000 }), (reading) => {
        const move = nextMove(at(reading), gaugePa(reading), aim);
        if (!('turns' in move)) return;
        const size = Math.abs(move.turns);
        expect(Number.isInteger(size * (size > 0.76 ? 8 : size === 1 / 32 ? 32 : 16))).toBe(true);
      }),
      { seed: 21, numRuns: 60 },
    );
  });

  test('no move is predicted to pass the limit with more than the chance allowed', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 500_000 }),
        fc.double({ min: 0.05, max: 0.5, noNaN: true }),
        (reading, sdFraction) => {
          const move = nextMove(at(reading, { sdFraction }), gaugePa(reading), aim);
          if (move.kind !== 'turn') return;
          expect(move.predicted.high).toBeLessThan(aim.limit);
          expect(move.turns).toBeGreaterThan(0);
        },
      ),
      { seed: 22, numRuns: 60 },
    );
  });

  test('a lane within reach is taken in few moves, and the limit is never passed', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const random = seededRandom(seed);
      const rate = 200_000 * random.between(0.72, 1.28);
      let pressure = 0;
      let belief = at(0);
      let moves = 0;
      for (; moves < 12; moves++) {
        const move = nextMove(belief, gaugePa(pressure), aim);
        if (!('turns' in move)) break;
        pressure += rate * (move.turns + 0.04 * random.normal());
        expect(pressure).toBeLessThan(aim.limit);
        belief = afterReading(afterTurn(belief, move.turns), gaugePa(pressure), { sd: 1000 });
      }
      expect(moves).toBeLessThanOrEqual(9);
      expect(Math.abs(pressure - aim.target)).toBeLessThanOrEqual(15_000);
    }
  });
});
