import { gaugePa, inTurns, paPerTurn } from '../quantity';
import fc from 'fast-check';
import { seededRandom } from '../numerics';
import {
  afterReading,
  afterTurn,
  believedSetPoint,
  carriedAfter,
  learnedRate,
  startBelief,
} from './belief';
import type { RatePrior } from './models';

const prior: RatePrior = {
  rate: paPerTurn(200_000),
  sdFraction: 0.25,
  direction: 'raises',
  directionTrust: 0.98,
  from: 'spring',
};
const begin = (
  over: Partial<RatePrior> = {},
  takenUp: 'clockwise' | 'anticlockwise' | 'unknown' = 'clockwise',
) => startBelief({ ...prior, ...over }, { reading: gaugePa(0), readingSd: 1000, takenUp });

describe('backlash as play', () => {
  test('is lost once when the way changes', () => {
    let carried = carriedAfter(inTurns(1), inTurns(0), inTurns(0.25));
    expect(carried).toBe(0.75);
    carried = carriedAfter(inTurns(2), carried, inTurns(0.25));
    expect(carried).toBe(1.75);
    expect(carriedAfter(inTurns(1.9), carried, inTurns(0.25))).toBe(1.75);
    expect(carriedAfter(inTurns(1.5), carried, inTurns(0.25))).toBe(1.5);
  });

  test('the carried part is never further behind than the play', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -2, max: 2, noNaN: true }), { maxLength: 12 }),
        fc.double({ min: 0, max: 0.4, noNaN: true }),
        (turns, backlash) => {
          let screw = 0;
          let carried = 0;
          for (const turn of turns) {
            screw += turn;
            carried = carriedAfter(inTurns(screw), inTurns(carried), inTurns(backlash));
            expect(screw - carried).toBeGreaterThanOrEqual(-1e-12);
            expect(screw - carried).toBeLessThanOrEqual(backlash + 1e-12);
          }
        },
      ),
      { seed: 12 },
    );
  });
});

describe('belief', () => {
  test('weights always sum to one', () => {
    const random = seededRandom(5);
    let belief = begin({}, 'unknown');
    for (let i = 0; i < 12; i++) {
      belief = afterReading(
        afterTurn(belief, inTurns(random.between(-1, 1))),
        gaugePa(random.between(0, 4e5)),
        {
          sd: 1000,
        },
      );
      expect(belief.hypotheses.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9);
    }
  });

  test('learns a rate within a twentieth from two turns', () => {
    let belief = begin();
    for (const [turns, pressure] of [
      [1, 260_000],
      [0.5, 390_000],
    ] as const)
      belief = afterReading(afterTurn(belief, inTurns(turns)), gaugePa(pressure), { sd: 1000 });
    const { mean, sd } = learnedRate(belief);
    expect(Math.abs(mean - 260_000)).toBeLessThan(13_000);
    expect(sd).toBeLessThan(30_000);
  });

  test('grows surer with every turn that agrees', () => {
    let belief = begin();
    let before = Number.POSITIVE_INFINITY;
    for (let i = 1; i <= 3; i++) {
      belief = afterReading(afterTurn(belief, inTurns(0.75)), gaugePa(i * 150_000), { sd: 1000 });
      const { sd } = learnedRate(belief);
      expect(sd).toBeLessThan(before);
      before = sd;
    }
  });

  test('one turn against the plate is enough to doubt the direction', () => {
    const belief = afterReading(
      afterTurn(
        startBelief(prior, { reading: gaugePa(400_000), readingSd: 1000, takenUp: 'clockwise' }),
        inTurns(0.5),
      ),
      gaugePa(320_000),
      { sd: 1000 },
    );
    expect(learnedRate(belief).chanceClockwiseRaises).toBeLessThan(0.01);
    expect(learnedRate(belief).mean).toBeLessThan(0);
  });

  test('a direction that is not known is even until it is tried', () => {
    expect(learnedRate(begin({ direction: 'unknown' })).chanceClockwiseRaises).toBeCloseTo(0.5, 9);
  });

  test('a slack spring says only that the set point is at or under nothing', () => {
    const lowered = begin({ direction: 'lowers', directionTrust: 0.995 }, 'anticlockwise');
    const wound = afterReading(afterTurn(lowered, inTurns(2)), gaugePa(0), { sd: 1000, floor: 0 });
    expect(believedSetPoint(wound).mean).toBeLessThan(-200_000);
    const back = afterReading(afterTurn(wound, inTurns(-3)), gaugePa(200_000), {
      sd: 1000,
      floor: 0,
    });
    expect(learnedRate(back).mean).toBeLessThan(0);
    expect(believedSetPoint(back).mean).toBeCloseTo(200_000, -2);
  });

  test('the believed set point follows the gauge', () => {
    const { mean, sd } = believedSetPoint(
      afterReading(afterTurn(begin(), inTurns(1)), gaugePa(230_000), { sd: 1000 }),
    );
    expect(Math.abs(mean - 230_000)).toBeLessThan(500);
    expect(sd).toBeLessThan(1001);
  });
});
