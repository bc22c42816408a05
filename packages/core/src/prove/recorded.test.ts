import { differencePa, gaugePa } from '../quantity';
import { seededRandom, type Sample } from '../numerics';
import { rounded } from '../testing/rounded';
import { alignmentOf } from './alignment';
import { crackingResult } from './cracking';
import { driftOf } from './drift';
import { noFlowVerdict } from './lockup';
import { deadBand, pointTable, type CalPoint } from './point-table';
import { readRamps, splitRamps } from './ramp-log';

/**
 * Verdicts recorded over inputs that are the same each time. A line that changes here is another
 * verdict on a valve: it is looked at, and belongs in the changelog.
 */
const record = (count: number, step: number, noise: number, shape: (t: number) => number) => {
  const random = seededRandom(5);
  return Array.from({ length: count }, (_, i): Sample => {
    const t = i * step;
    return { t, value: shape(t) + noise * random.normal() };
  });
};

test('lockup and creep', () => {
  const allowed = (setPoint: number) => Math.max(0.05 * setPoint, 10_000);
  const shapes: Readonly<Record<string, (t: number) => number>> = {
    flat: () => 512_000,
    levels: (t) => 530_000 - 25_000 * Math.exp(-t / 12),
    slowly: (t) => 560_000 - 60_000 * Math.exp(-t / 55),
    creeps: (t) => 506_000 + 180 * t,
    'rises, then creeps': (t) => 520_000 + 110 * t - 18_000 * Math.exp(-t / 9),
    weeps: (t) => 515_000 - 60 * t,
    barely: (t) => 510_000 + 9 * t,
  };
  const lines = Object.entries(shapes).flatMap(([name, shape]) =>
    [5, 12, 40].map((count) => {
      const verdict = noFlowVerdict(
        record(count, 3, 300, shape),
        gaugePa(500_000),
        2000,
        differencePa(allowed(500_000)),
      );
      return `${name} ${count} ${rounded(verdict)}`;
    }),
  );
  lines.push(
    rounded(
      noFlowVerdict(
        record(4, 3, 0, () => 5),
        gaugePa(500_000),
        2000,
        differencePa(allowed(500_000)),
      ),
    ),
  );
  for (const setPoint of [100_000, 200_000, 300_000])
    lines.push(
      rounded(
        noFlowVerdict(
          record(9, 3, 0, () => setPoint + 12_000),
          gaugePa(setPoint),
          1000,
          differencePa(allowed(setPoint)),
        ),
      ),
    );
  expect(lines).toMatchSnapshot();
});

test('drift between visits', () => {
  const lane = { lower: 480_000, upper: 520_000 };
  const visit = (day: number, asFound: number, asLeft: number) => ({
    day,
    asFound: gaugePa(asFound),
    asLeft: gaugePa(asLeft),
  });
  const histories = [
    [visit(0, 500_000, 500_000)],
    [visit(0, 500_000, 500_000), visit(0, 505_000, 500_000)],
    [visit(0, 500_000, 500_000), visit(100, 505_000, 501_000)],
    [visit(0, 490_000, 500_000), visit(180, 507_000, 500_500), visit(360, 509_000, 499_000)],
    [
      visit(0, 0, 500_000),
      visit(90, 494_000, 500_000),
      visit(200, 495_500, 501_000),
      visit(280, 492_000, 500_000),
    ],
    [visit(0, 0, 500_000), visit(90, 501_000, 500_000), visit(200, 498_500, 500_000)],
  ];
  expect(
    histories.flatMap((visits) => [500, 6000].map((u) => rounded(driftOf(visits, lane, u)))),
  ).toMatchSnapshot();
});

test('cracking, reseat and what follows from them', () => {
  const cycles = [
    [{ cracked: gaugePa(690_000), reseated: gaugePa(640_000) }],
    [
      { cracked: gaugePa(690_000), fullFlow: gaugePa(735_000), reseated: gaugePa(640_000) },
      { cracked: gaugePa(694_000), fullFlow: gaugePa(741_000), reseated: gaugePa(645_000) },
      { cracked: gaugePa(687_000), reseated: gaugePa(633_000) },
    ],
    [{ cracked: gaugePa(690_000), reseated: gaugePa(700_000) }],
    [{ cracked: gaugePa(-40_000), reseated: gaugePa(-31_000) }, { cracked: gaugePa(-41_500) }],
    [{ reseated: gaugePa(640_000) }],
  ];
  expect(cycles.map((each) => rounded(crackingResult(each)))).toMatchSnapshot();
});

test('alignment over a sweep of the band', () => {
  const sweep = (offset: number, bump: number) =>
    [-5, -2, -0.5, 0.5, 2, 5].map((gain, i) => ({
      gain,
      output: 60_000 + gain * offset * 80_000 + (i % 2 === 0 ? bump : -bump),
    }));
  const lines = [
    sweep(0.001, 0),
    sweep(0.02, 0),
    sweep(0.02, 2500),
    sweep(0, 2500),
    sweep(0, 999),
    sweep(0, 1001),
  ].map((readings) => rounded(alignmentOf(readings, 80_000, 1000)));
  lines.push(rounded(alignmentOf(sweep(0, 0).slice(0, 3), 80_000, 1000)));
  lines.push(rounded(alignmentOf(sweep(0.02, 0).slice(1, 5), 80_000, 1000)));
  lines.push(
    rounded(alignmentOf([...sweep(0, 0).slice(3), ...sweep(0, 0).slice(3)], 80_000, 1000)),
  );
  expect(lines).toMatchSnapshot();
});

test('ramps of a log: where each breaks', () => {
  const cycle = (t: number) => {
    const within = t % 120;
    const rise = 4000 * Math.min(within, 60);
    const up = within < 45 ? rise : 180_000 + 900 * (Math.min(within, 60) - 45);
    if (within <= 60) return 300_000 + up;
    const fall = 5200 * (within - 60);
    return (
      300_000 +
      Math.max(0, fall < 60_000 ? 193_500 - fall : 133_500 - (133_500 / 48.46) * (within - 71.54))
    );
  };
  const pops = (t: number) => {
    const within = t % 120;
    if (within < 50) return 300_000 + 4000 * within;
    return within < 60 ? 478_000 : 478_000 - 2967 * (within - 60);
  };
  const lines = [cycle, pops].flatMap((shape) =>
    [250, 2500].flatMap((noise) => {
      const log = record(960, 0.25, noise, shape);
      return [
        ...splitRamps(log, 500).map(({ kind, samples }) =>
          rounded([kind, samples.length, samples[0]!.t, samples.at(-1)!.t]),
        ),
        rounded(readRamps(log, 500)),
      ];
    }),
  );
  lines.push(
    rounded(
      readRamps(
        record(23, 1, 0, (t) => t * 9000),
        500,
      ),
    ),
  );
  lines.push(
    rounded(
      readRamps(
        record(60, 1, 0, (t) => t * 9000),
        500,
      ),
    ),
  );
  lines.push(
    rounded(
      readRamps(
        record(60, 1, 100, () => 9000),
        500,
      ),
    ),
  );
  expect(lines).toMatchSnapshot();
});

test('five points, up and down', () => {
  const points = (
    error: (at: number, down: boolean, pass: number) => number,
    passes = 1,
  ): CalPoint[] =>
    Array.from({ length: passes }, (_, i) => i + 1).flatMap((pass) =>
      (['up', 'down'] as const).flatMap((direction) => {
        const at = [0, 0.25, 0.5, 0.75, 1];
        if (direction === 'down') at.reverse();
        return at.map((each) => ({
          at: each,
          output: each + error(each, direction === 'down', pass),
          direction,
          pass,
        }));
      }),
    );
  const bowed = points((at, down) => 0.012 * Math.sin(Math.PI * at) - 0.004 + (down ? 0.003 : 0));
  const lines = [
    bowed,
    points((at) => 0.01 - 0.03 * at * at),
    points((at, down, pass) => 0.002 * pass + at * 0.004 - (down ? 0.001 * at : 0), 3),
    bowed.filter(({ direction }) => direction === 'up'),
    bowed.filter(({ at }) => at !== 0.5),
    bowed.map((point) => ({ ...point, output: 0.4 })),
    bowed.map((point) => ({ ...point, output: 0.4 + 0.0019 * point.at })),
    bowed.map((point) => ({ ...point, output: 0.4 + 0.0021 * point.at })),
    bowed.map((point) => ({ ...point, output: 1 - point.output })),
    [...bowed, bowed[0]!],
    [bowed[1]!, bowed[0]!, ...bowed.slice(2)],
  ].map((each) => rounded(pointTable(each)));
  lines.push(
    rounded(
      deadBand([
        { turnedAt: 0.5, movedAt: 0.508 },
        { turnedAt: 0.5, movedAt: 0.489 },
      ]),
    ),
  );
  expect(lines).toMatchSnapshot();
});
