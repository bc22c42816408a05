import { gaugePa, inTurns, paPerTurn } from '../quantity';
import fc from 'fast-check';
import { normalCdf } from '../numerics';
import { predictTurn, startBelief, type Belief } from './belief';
import type { RatePrior } from './models';
import { nextMove, type MoveAim, type NextMove } from './next-move';

/**
 * The two bounds that no move may pass: each is drawn so that it is the one that binds. A test whose
 * lane lies far below the limit never meets the limit, and the other way round.
 */
const prior: RatePrior = {
  rate: paPerTurn(200_000),
  sdFraction: 0.25,
  direction: 'raises',
  directionTrust: 0.999,
  from: 'spring',
};
const at = (reading: number, over: Partial<RatePrior> = {}): Belief =>
  startBelief(
    { ...prior, ...over },
    { reading: gaugePa(reading), readingSd: 1000, takenUp: 'clockwise' },
  );

/** A lane so wide, and a chance of passing it so free, that only the limit can hold a move back. */
const byLimit: MoveAim = {
  target: gaugePa(520_000),
  lower: gaugePa(505_000),
  upper: gaugePa(545_000),
  limit: gaugePa(548_000),
  approach: 'from_below',
  guard: 3000,
  chancePastLimit: 0.01,
  chancePastLane: 1,
  largestTurn: inTurns(3),
};
/** No limit within reach: only the far side of the lane holds a move back. */
const byLane: MoveAim = {
  ...byLimit,
  upper: gaugePa(535_000),
  limit: gaugePa(5e6),
  chancePastLane: 0.08,
};

const chanceOver = (belief: Belief, turns: number, level: number): number =>
  belief.hypotheses
    .map((each) => ({ weight: each.weight, after: predictTurn(each, belief, inTurns(turns)) }))
    .reduce(
      (sum, { weight, after }) =>
        sum +
        weight * (1 - normalCdf((level - after.setPoint) / Math.sqrt(after.varSetPoint + 1e-9))),
      0,
    );

const turnsOf = (move: NextMove): number => {
  if (!('turns' in move)) throw new Error(`no turn but ${move.kind}`);
  return move.turns;
};
const starts = fc.record({
  reading: fc.integer({ min: 0, max: 440_000 }),
  sdFraction: fc.double({ min: 0.05, max: 0.5, noNaN: true }),
});

describe('the limit binds', () => {
  test('no move has more than the chance allowed of passing it', () => {
    fc.assert(
      fc.property(starts, ({ reading, sdFraction }) => {
        const belief = at(reading, { sdFraction });
        const move = nextMove(belief, gaugePa(reading), byLimit);
        if (!('turns' in move)) return;
        const chance = chanceOver(belief, move.turns, byLimit.limit);
        expect(chance).toBeLessThanOrEqual(byLimit.chancePastLimit + 1e-9);
      }),
      { seed: 51, numRuns: 80 },
    );
  });

  test('the move is shorter than it would be without it, and than with one a tenth higher', () => {
    const belief = at(0);
    const held = turnsOf(nextMove(belief, gaugePa(0), byLimit));
    const higher = turnsOf(
      nextMove(belief, gaugePa(0), { ...byLimit, limit: gaugePa(byLimit.limit * 1.1) }),
    );
    const free = turnsOf(
      nextMove(belief, gaugePa(0), { ...byLimit, limit: gaugePa(Number.POSITIVE_INFINITY) }),
    );
    expect(held).toBeLessThan(higher);
    expect(higher).toBeLessThanOrEqual(free);
  });

  test('the chance allowed is the one that was given, not a freer one', () => {
    const belief = at(0);
    const strict = turnsOf(nextMove(belief, gaugePa(0), { ...byLimit, chancePastLimit: 0.001 }));
    const usual = turnsOf(nextMove(belief, gaugePa(0), byLimit));
    const loose = turnsOf(nextMove(belief, gaugePa(0), { ...byLimit, chancePastLimit: 0.2 }));
    expect(strict).toBeLessThan(usual);
    expect(usual).toBeLessThan(loose);
  });

  test('close under it no turn at all is safe, and that is said', () => {
    const belief = at(500_000, { sdFraction: 0.5 });
    const aim = {
      ...byLimit,
      target: gaugePa(509_000),
      lower: gaugePa(505_000),
      upper: gaugePa(511_000),
      limit: gaugePa(500_500),
    };
    expect(nextMove(belief, gaugePa(500_000), aim)).toEqual({ kind: 'stuck', why: 'no_safe_move' });
  });

  test('a probe in an unknown direction respects it too', () => {
    const unknown = { direction: 'unknown', directionTrust: 0.5 } as const;
    const belief = at(490_000, unknown);
    const near = { ...byLimit, limit: gaugePa(520_000) };
    const move = nextMove(belief, gaugePa(490_000), near);
    if ('turns' in move)
      expect(chanceOver(belief, move.turns, near.limit)).toBeLessThanOrEqual(0.01 + 1e-9);
    const far = nextMove(belief, gaugePa(490_000), { ...byLimit, limit: gaugePa(5e6) });
    expect(Math.abs(turnsOf(far))).toBe(0.5);
    expect('turns' in move ? Math.abs(move.turns) : 0).toBeLessThan(0.5);
  });

  test('from above, parked over it, a move away from it is not forbidden by it', () => {
    const parked = at(700_000);
    const aim: MoveAim = {
      ...byLimit,
      approach: 'from_above',
      limit: gaugePa(660_000),
      chancePastLane: 0.1,
    };
    expect(turnsOf(nextMove(parked, gaugePa(700_000), aim))).toBeLessThan(0);
  });
});

describe('the far side of the lane binds', () => {
  test('no move has more than the chance allowed of passing it', () => {
    fc.assert(
      fc.property(starts, ({ reading, sdFraction }) => {
        const belief = at(reading, { sdFraction });
        const move = nextMove(belief, gaugePa(reading), byLane);
        if (!('turns' in move) || Math.abs(move.turns) <= 1 / 32) return;
        const chance = chanceOver(belief, move.turns, byLane.upper);
        expect(chance).toBeLessThanOrEqual(byLane.chancePastLane + 1e-9);
      }),
      { seed: 52, numRuns: 80 },
    );
  });

  test('a freer chance lets it turn further', () => {
    const belief = at(0, { sdFraction: 0.4 });
    const strict = turnsOf(nextMove(belief, gaugePa(0), { ...byLane, chancePastLane: 0.005 }));
    const loose = turnsOf(nextMove(belief, gaugePa(0), { ...byLane, chancePastLane: 0.3 }));
    expect(strict).toBeLessThan(loose);
  });

  test('the chance that is told is the chance of that move', () => {
    const belief = at(100_000);
    const move = nextMove(belief, gaugePa(100_000), byLane);
    if (move.kind !== 'turn') throw new Error(move.kind);
    expect(move.chancePastLane).toBeCloseTo(chanceOver(belief, move.turns, byLane.upper), 9);
  });
});

describe('done', () => {
  const aim = { ...byLane, guard: 3000 };
  test.each([
    [508_500, 'done'],
    [531_500, 'done'],
    [507_500, 'turn'],
    [532_500, 'back_off'],
  ])('at %d Pa, in a lane of 505 to 535 kPa read to 3 kPa, it is %s', (reading, kind) => {
    const belief = startBelief(prior, {
      reading: gaugePa(reading),
      readingSd: 300,
      takenUp: 'clockwise',
    });
    expect(nextMove(belief, gaugePa(reading), aim).kind).toBe(kind);
  });

  test('a reading inside is not enough while the set point itself is in doubt', () => {
    const belief = startBelief(prior, {
      reading: gaugePa(520_000),
      readingSd: 9000,
      takenUp: 'clockwise',
    });
    expect(nextMove(belief, gaugePa(520_000), aim).kind).not.toBe('done');
  });

  test('the guard takes no more than three tenths of the lane from either side', () => {
    const belief = startBelief(prior, {
      reading: gaugePa(520_000),
      readingSd: 300,
      takenUp: 'clockwise',
    });
    expect(nextMove(belief, gaugePa(520_000), { ...aim, guard: 20_000 }).kind).toBe('done');
    const edge = startBelief(prior, {
      reading: gaugePa(513_000),
      readingSd: 300,
      takenUp: 'clockwise',
    });
    expect(nextMove(edge, gaugePa(513_000), { ...aim, guard: 20_000 }).kind).not.toBe('done');
  });
});

describe('travel', () => {
  test('no turn is longer than what is left of it', () => {
    const room = { clockwise: inTurns(0.75), anticlockwise: inTurns(8) };
    expect(turnsOf(nextMove(at(0), gaugePa(0), { ...byLane, room }))).toBeLessThanOrEqual(0.75);
    const back = { clockwise: inTurns(8), anticlockwise: inTurns(0.125) };
    const past = nextMove(at(560_000), gaugePa(560_000), { ...byLane, room: back });
    expect(Math.abs(turnsOf(past))).toBeLessThanOrEqual(0.125);
  });

  test('nor longer than the largest turn of the house', () => {
    expect(
      turnsOf(nextMove(at(0), gaugePa(0), { ...byLane, largestTurn: inTurns(0.5) })),
    ).toBeLessThanOrEqual(0.5);
  });
});
