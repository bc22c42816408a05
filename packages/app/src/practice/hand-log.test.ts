import { handByFamily, type HandLine } from './hand-log';

const line = (
  n: number,
  points: number,
  over: Partial<NonNullable<HandLine['score']>> = {},
  whose: Partial<HandLine> = {},
): HandLine => ({
  sheet: `s${n}`,
  hand: 'Ines',
  family: 'reducing',
  at_ms: n,
  score: {
    points,
    moves: 6,
    master: 4,
    pastLane: 0,
    pastLimit: 0,
    leftOpen: 0,
    isFaulty: false,
    found: 'nothing_named',
    ...over,
  },
  ...whose,
});

describe('a hand’s log by kind', () => {
  test('tells the last five beside the five before, whatever their order here', () => {
    const points = [40, 40, 40, 40, 40, 90, 90, 90, 90, 90];
    const log = points.map((each, i) => line(i, each)).reverse();
    expect(handByFamily(log, 'Ines')).toMatchObject([
      { family: 'reducing', runs: 10, points: 90, before: 40, moves: 1.5 },
    ]);
    expect(handByFamily(log.slice(0, 5), 'Ines')[0]!.before).toBeUndefined();
  });

  test('counts faults that were there, and those that evidence found', () => {
    const log = [
      line(1, 80, { isFaulty: true, found: 'by_evidence', pastLimit: 1 }),
      line(2, 80, { isFaulty: true, found: 'by_luck' }),
      line(3, 80, { found: 'by_evidence' }),
    ];
    expect(handByFamily(log, 'Ines')).toMatchObject([{ faulty: 2, found: 1, pastLimit: 1 }]);
  });

  test('is one’s own, of what was scored; what wants practice most stands first', () => {
    const log = [
      line(1, 90),
      line(2, 50, {}, { family: 'gas' }),
      line(3, 10, {}, { hand: 'Tomas' }),
      { ...line(4, 0), score: undefined } as unknown as HandLine,
    ];
    expect(handByFamily(log, 'Ines').map(({ family, points }) => [family, points])).toEqual([
      ['gas', 50],
      ['reducing', 90],
    ]);
  });
});
