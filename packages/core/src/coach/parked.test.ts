import { gaugePa, inTurns, paPerTurn } from '../quantity';
import { afterReading, afterTurn, believedSetPoint, learnedRate, startBelief } from './belief';
import type { RatePrior } from './models';
import { nextMove, type MoveAim } from './next-move';

const prior: RatePrior = {
  rate: paPerTurn(200_000),
  sdFraction: 0.25,
  direction: 'raises',
  directionTrust: 0.98,
  from: 'spring',
};
const parked = (over: Partial<RatePrior> = {}, parkedAt = 8) =>
  startBelief(
    { ...prior, ...over },
    {
      reading: gaugePa(1_080_000),
      readingSd: 2000,
      takenUp: 'clockwise',
      parkedAt: inTurns(parkedAt),
    },
  );
const aim: MoveAim = {
  target: gaugePa(840_000),
  lower: gaugePa(815_000),
  upper: gaugePa(865_000),
  limit: gaugePa(1_300_000),
  approach: 'from_above',
  guard: 3000,
  chancePastLimit: 0.01,
  chancePastLane: 0.075,
  largestTurn: inTurns(3),
};

describe('an adjuster parked fully up', () => {
  test('stands as many turns of its rate as its travel has', () => {
    expect(believedSetPoint(parked()).mean).toBeCloseTo(1_600_000, 0);
    expect(believedSetPoint(parked()).sd).toBeCloseTo(8 * 50_000, -1);
  });

  test('is of the direction that it was parked in, unless that is not known', () => {
    expect(learnedRate(parked()).chanceClockwiseRaises).toBeCloseTo(1, 9);
    expect(learnedRate(parked({ direction: 'lowers' })).chanceClockwiseRaises).toBeCloseTo(0, 9);
    expect(learnedRate(parked({ direction: 'unknown' })).chanceClockwiseRaises).toBeCloseTo(0.5, 6);
  });

  test('a gauge that something else rules only says that the setting is at or over it', () => {
    const turned = afterTurn(parked(), inTurns(-2.5));
    const capped = afterReading(turned, gaugePa(1_080_000), { sd: 2000, ceiling: 1_080_000 });
    expect(believedSetPoint(capped).mean).toBeGreaterThan(believedSetPoint(turned).mean);
    expect(believedSetPoint(capped).mean).toBeGreaterThan(1_080_000);
    expect(believedSetPoint(capped).sd).toBeLessThan(believedSetPoint(turned).sd);
    expect(learnedRate(capped).mean).toBeGreaterThan(learnedRate(turned).mean);
  });

  test('a reading under the ceiling is learned from as any other', () => {
    const turned = afterTurn(parked(), inTurns(-4));
    const read = afterReading(turned, gaugePa(900_000), { sd: 2000, ceiling: 1_080_000 });
    expect(Math.abs(believedSetPoint(read).mean - 900_000)).toBeLessThan(3000);
    expect(learnedRate(read).sd).toBeLessThan(learnedRate(turned).sd);
  });

  test('may be lowered though it stands past its limit', () => {
    const move = nextMove(parked(), gaugePa(1_080_000), aim);
    expect(move).toMatchObject({ kind: 'turn' });
    expect('turns' in move && move.turns).toBeLessThan(0);
  });

  test('comes down to its lane without passing through it', () => {
    for (const trueRate of [150_000, 200_000, 250_000]) {
      let belief = parked();
      let setPoint = 8 * trueRate;
      let reading = Math.min(1_080_000, setPoint);
      let moves = 0;
      for (; moves < 15; moves++) {
        const move = nextMove(belief, gaugePa(reading), aim);
        if (move.kind === 'done') break;
        if (!('turns' in move)) throw new Error(`stuck at ${setPoint}`);
        setPoint += trueRate * move.turns;
        reading = Math.min(1_080_000, setPoint);
        belief = afterReading(afterTurn(belief, move.turns), gaugePa(reading), {
          sd: 2000,
          ceiling: 1_080_000,
        });
        expect(setPoint).toBeGreaterThan(800_000);
      }
      expect(moves).toBeLessThan(10);
      expect(Math.abs(setPoint - 840_000)).toBeLessThanOrEqual(25_000);
    }
  });

  test('a spring that is free upstream is known to hold nothing', () => {
    const free = startBelief(prior, {
      reading: gaugePa(350_000),
      readingSd: 2000,
      takenUp: 'anticlockwise',
      parkedAt: inTurns(0),
    });
    expect(believedSetPoint(free).mean).toBe(0);
    expect(believedSetPoint(free).sd).toBeCloseTo(2000, 0);
  });
});
