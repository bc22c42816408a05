import fc from 'fast-check';
import { alignmentOf, type SweepReading } from './alignment';

const GAINS = [-5, -1, -0.2, 0.2, 1, 5];
const sweep = (offset: number, noise: (i: number) => number = () => 0): SweepReading[] =>
  GAINS.map((gain, i) => ({ gain, output: 60_000 + gain * offset * 80_000 + noise(i) }));

describe('alignment sweep', () => {
  test('pointers that agree leave the output where it is', () => {
    expect(alignmentOf(sweep(0), 80_000, 1724)).toMatchObject({
      ok: true,
      value: { verdict: 'flat', spread: 0 },
    });
  });

  test('a trend with the band says how far and which way they disagree', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.006, max: 0.1, noNaN: true }),
        fc.boolean(),
        (size, isHigh) => {
          const offset = isHigh ? size : -size;
          const found = alignmentOf(sweep(offset), 80_000, 1724);
          expect(found.ok && found.value.verdict).toBe('leans');
          expect(found.ok && Math.abs(found.value.offset - offset)).toBeLessThan(1e-9);
        },
      ),
      { seed: 60 },
    );
  });

  test('an output that moves without following the band wanders', () => {
    const found = alignmentOf(
      sweep(0, (i) => (i % 2 ? 6000 : -6000)),
      80_000,
      1724,
    );
    expect(found).toMatchObject({ value: { verdict: 'wanders' } });
  });

  test('too few bands, or all on one side, cannot be judged', () => {
    expect(alignmentOf(sweep(0).slice(0, 3), 80_000, 1724)).toMatchObject({
      error: { code: 'prove.sweep_too_short', have: 3 },
    });
    expect(
      alignmentOf(
        sweep(0).map((each) => ({ ...each, gain: Math.abs(each.gain) })),
        80_000,
        1724,
      ),
    ).toMatchObject({ error: { code: 'prove.sweep_one_sided' } });
  });
});
