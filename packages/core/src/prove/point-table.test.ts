import fc from 'fast-check';
import { deadBand, pointTable, type CalPoint } from './point-table';

const AT = [0, 0.25, 0.5, 0.75, 1];
const pass = (up: readonly number[], down?: readonly number[], n = 1): CalPoint[] => [
  ...AT.map((at, i) => ({ at, output: at + up[i]!, direction: 'up' as const, pass: n })),
  ...(down
    ? AT.map((at, i) => ({
        at,
        output: at + down[i]!,
        direction: 'down' as const,
        pass: n,
      })).reverse()
    : []),
];
const tableOf = (points: readonly CalPoint[]) => {
  const table = pointTable(points);
  if (!table.ok) throw new Error(table.error.code);
  return table.value;
};

/** The least largest deviation again, the slow way: every line on a fine grid. */
function bestLine(errors: readonly number[], through?: number): number {
  let best = Number.POSITIVE_INFINITY;
  for (let slope = -0.08; slope <= 0.08; slope += 0.0002) {
    const off = errors.map((error, i) => error - slope * AT[i]!);
    const middle = through ?? (Math.max(...off) + Math.min(...off)) / 2;
    best = Math.min(best, Math.max(...off.map((value) => Math.abs(value - middle))));
  }
  return best;
}

describe('point table', () => {
  test('zero, span and angularity errors of a sagging scale', () => {
    const table = tableOf(pass([0.01, 0.018, 0.022, 0.022, 0.02]));
    expect(table.zeroError).toBeCloseTo(0.01, 12);
    expect(table.spanError).toBeCloseTo(0.01, 12);
    expect(table.angularityError).toBeCloseTo(0.007, 12);
    expect(table.worst.error).toBeCloseTo(0.022, 12);
    expect(table.linearity.terminalBased).toBeCloseTo(0.007, 12);
    expect(table.hysteresis).toBeUndefined();
  });

  test('hysteresis is the largest difference at one input, repeatability the largest spread from one side', () => {
    const table = tableOf([
      ...pass([0, 0.002, 0.003, 0.002, 0], [0.001, 0.008, 0.012, 0.006, 0]),
      ...pass([0.001, 0.002, 0.003, 0.0045, 0], [0.001, 0.008, 0.012, 0.006, 0], 2),
    ]);
    expect(table.hysteresis).toBeCloseTo(0.009, 12);
    expect(table.repeatability).toBeCloseTo(0.0025, 12);
  });

  test('linearity agrees with a search over all lines', () => {
    const errors = fc.array(fc.double({ min: -0.02, max: 0.02, noNaN: true }), {
      minLength: 5,
      maxLength: 5,
    });
    fc.assert(
      fc.property(errors, (up) => {
        const { linearity } = tableOf(pass(up));
        expect(Math.abs(linearity.independent - bestLine(up))).toBeLessThan(2e-4);
        expect(Math.abs(linearity.zeroBased - bestLine(up, up[0]))).toBeLessThan(2e-4);
        expect(linearity.independent).toBeLessThanOrEqual(linearity.zeroBased + 1e-12);
        expect(linearity.zeroBased).toBeLessThanOrEqual(linearity.terminalBased + 1e-12);
      }),
      { seed: 5, numRuns: 60 },
    );
  });

  test('the best line may run through two points in the middle, exactly', () => {
    const off = [0.01, 0.02, 0, 0.02, 0.006];
    const table = tableOf(pass(AT.map((at, i) => off[i]! + 0.013 * at)));
    expect(table.linearity.independent).toBeCloseTo(0.01, 12);
  });

  test('a straight scale has no linearity error, whatever its zero and span', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.1, max: 0.1, noNaN: true }),
        fc.double({ min: -0.1, max: 0.1, noNaN: true }),
        (zero, span) => {
          const table = tableOf(pass(AT.map((at) => zero + span * at)));
          expect(table.linearity.independent).toBeLessThan(1e-12);
          expect(table.zeroError).toBeCloseTo(zero, 12);
          expect(table.spanError).toBeCloseTo(span, 12);
        },
      ),
      { seed: 6 },
    );
  });

  test.each<[string, CalPoint[]]>([
    ['prove.points_missing', pass([0, 0, 0, 0, 0]).slice(0, 3)],
    [
      'prove.point_twice',
      [...pass([0, 0, 0, 0, 0]), { at: 1, output: 1, direction: 'up', pass: 1 }],
    ],
    [
      'prove.points_out_of_order',
      [...pass([0, 0, 0, 0, 0]).slice(1), { at: 0, output: 0, direction: 'up', pass: 1 }],
    ],
    [
      'prove.points_out_of_order',
      [
        ...pass([0, 0, 0, 0, 0]),
        { at: 0.5, output: 0.5, direction: 'down', pass: 1 },
        { at: 0.75, output: 0.75, direction: 'down', pass: 1 },
      ],
    ],
    ['prove.output_frozen', AT.map((at) => ({ at, output: 0.31, direction: 'up', pass: 1 }))],
    ['prove.signal_reversed', AT.map((at) => ({ at, output: 1 - at, direction: 'up', pass: 1 }))],
  ])('%s is said', (code, points) => {
    expect(pointTable(points)).toMatchObject({ ok: false, error: { code } });
  });

  test('order is asked within a pass and a direction: the next begins where it likes', () => {
    const down = [...AT]
      .reverse()
      .map((at): CalPoint => ({ at, output: at, direction: 'down', pass: 1 }));
    const two = [...pass([0, 0, 0, 0, 0]), ...down, ...pass([0, 0, 0, 0, 0], undefined, 2)];
    expect(pointTable(two).ok).toBe(true);
    // As does another pass in the same direction.
    expect(pointTable([...pass([0, 0, 0, 0, 0]), ...pass([0, 0, 0, 0, 0], undefined, 2)]).ok).toBe(
      true,
    );
  });

  test('the best line through the low end is found between two other points', () => {
    // Errors 0, +2, 0, 0, +1 % over a quarter each: the line that halves the two largest has a slope of its own.
    const table = tableOf(pass([0, 0.02, 0, 0, 0.01]));
    const off = (slope: number) =>
      Math.max(...[0, 0.02, 0, 0, 0.01].map((error, i) => Math.abs(error - slope * AT[i]!)));
    const best = Math.min(...Array.from({ length: 4001 }, (_, i) => off(-0.02 + i * 1e-5)));
    expect(table.linearity.zeroBased).toBeCloseTo(best, 4);
    expect(table.linearity.zeroBased).toBeLessThan(table.linearity.terminalBased);
  });

  test('dead band is the largest change that was not followed', () => {
    expect(deadBand([])).toBeUndefined();
    const found = deadBand([
      { turnedAt: 0.5, movedAt: 0.496 },
      { turnedAt: 0.4, movedAt: 0.407 },
    ]);
    expect(found).toBeCloseTo(0.007, 12);
  });
});
