import { seededRandom, type Sample } from '../numerics';
import { differencePa, gaugePa } from '../quantity';
import { rounded } from '../testing/rounded';
import { alignmentOf } from './alignment';
import { crackingResult } from './cracking';
import { driftOf } from './drift';
import { noFlowVerdict } from './lockup';
import { noFlowWatch } from './no-flow-watch';
import { pointTable, type CalPoint } from './point-table';
import { readRamps, splitRamps } from './ramp-log';

/**
 * Proofs over inputs that are drawn wide, and the same each time: a bound or a weight that is turned by a tenth shows
 * in some line. What each verdict should be is told by the other tests; here none may change unseen.
 */
const drawn = (count: number) => Array.from({ length: count }, (_, seed) => [seed] as const);

test.each(drawn(40))('lockup or creep, judged and watched on: record %d', (seed) => {
  const random = seededRandom(100 + seed);
  const division = 1000;
  const [levels, dies, climbs] = [
    division * random.between(0, 30),
    random.between(2, 60),
    seed % 4 === 0 ? 0 : division * 10 ** random.between(-3, -0.5) * (seed % 7 === 0 ? -1 : 1),
  ];
  const noise = division * random.between(0, 0.4);
  const samples: Sample[] = Array.from({ length: 150 }, (_, t) => {
    const value =
      500_000 + levels * (1 - Math.exp(-t / dies)) + climbs * t + noise * random.normal();
    return { t, value: Math.round(value / division) * division };
  });
  const allowed = differencePa(division * random.between(5, 40));
  const lines = [5, 6, 9, 14, 22, 35, 60, 100, 150].map((count) => {
    const record = samples.slice(0, count);
    return rounded([
      noFlowVerdict(record, gaugePa(500_000), division, allowed),
      noFlowWatch(record, {
        setPoint: gaugePa(500_000),
        resolution: division,
        allowed,
        creepDivisions: 1.5,
      }),
    ]);
  });
  expect(lines).toMatchSnapshot();
});

test.each(drawn(24))('drift between visits: history %d', (seed) => {
  const random = seededRandom(300 + seed);
  const lane = { lower: 480_000, upper: 520_000 };
  const rate = random.between(-60, 60);
  let day = 0;
  let left = 500_000;
  const visits = Array.from({ length: 2 + (seed % 7) }, () => {
    const gap = random.between(20, 500);
    const asFound = left + rate * gap + 2500 * random.normal();
    day += gap;
    left = 500_000 + 4000 * random.normal();
    return { day, asFound: gaugePa(asFound), asLeft: gaugePa(left) };
  });
  expect([400, 3000, 9000].map((u) => rounded(driftOf(visits, lane, u)))).toMatchSnapshot();
});

/** A ramp that opens at a pressure, flattens, and is let down again; several, one after another. */
const rampLog = (seed: number): readonly Sample[] => {
  const random = seededRandom(500 + seed);
  const [slope, opens, flat] = [
    random.between(800, 6000),
    random.between(150_000, 600_000),
    random.between(0.05, 0.7),
  ];
  const noise = slope * random.between(0.005, 0.25);
  const every = random.between(0.2, 0.6);
  const rise = opens / slope + 14;
  const samples: Sample[] = [];
  let pressure = 0;
  for (let t = 0; t < 3 * 1.7 * rise; t += every) {
    const within = t % (1.7 * rise);
    const isOpen = pressure > opens;
    if (within < rise) pressure += slope * every * (isOpen ? flat : 1);
    else pressure -= slope * every * (pressure > 0.9 * opens ? 2.2 : 1.4);
    pressure = Math.max(0, pressure);
    samples.push({ t, value: pressure + noise * random.normal() });
  }
  return samples;
};
test.each(drawn(16))('where ramps of a log break: log %d', (seed) => {
  expect(rounded(readRamps(rampLog(seed), 500 + 250 * (seed % 5)))).toMatchSnapshot();
});

/** Up and down with rests between, of every height from a ripple to a ramp, popping or bending or neither. */
const restingLog = (seed: number, resolution: number): readonly Sample[] => {
  const random = seededRandom(1500 + seed);
  const height = resolution * 10 ** random.between(0.4, 2.5);
  const [up, down, rest] = [random.between(6, 40), random.between(3, 30), random.between(0, 25)];
  const bend = random.between(0.5, 1.2);
  const pop = seed % 3 === 0 ? random.between(0.02, 0.2) : 0;
  const noise = resolution * random.between(0, 0.8);
  const whole = up + down + 2 * rest;
  return Array.from({ length: 400 }, (_, i) => {
    const t = i * 0.4;
    const within = t % whole;
    const rise = Math.min(1, Math.max(0, within - rest) / up);
    const fall = Math.min(1, Math.max(0, within - 2 * rest - up) / down);
    const bent = rise > bend ? bend + (rise - bend) * 0.3 - pop : rise;
    return { t, value: 200_000 + height * bent * (1 - fall) + noise * random.normal() };
  });
};
test.each(drawn(30))('how a log falls into ramps, and what is read of them: log %d', (seed) => {
  const resolution = 1000;
  const log = restingLog(seed, resolution);
  expect([
    ...splitRamps(log, resolution).map(({ kind, samples }) =>
      rounded([kind, samples.length, samples[0]!.t, samples.at(-1)!.t]),
    ),
    rounded(readRamps(log, resolution)),
  ]).toMatchSnapshot();
});

test.each(drawn(12))('cracking of several cycles, and a sweep of the band: case %d', (seed) => {
  const random = seededRandom(700 + seed);
  const sign = seed % 4 === 0 ? -1 : 1;
  const cycles = Array.from({ length: 1 + (seed % 5) }, () => {
    const cracked = sign * random.between(280_000, 300_000);
    return {
      ...(random.between(0, 1) < 0.9 ? { cracked: gaugePa(cracked) } : {}),
      ...(random.between(0, 1) < 0.6 ? { fullFlow: gaugePa(cracked * 1.08) } : {}),
      ...(random.between(0, 1) < 0.8
        ? { reseated: gaugePa(cracked * random.between(0.8, 1.02)) }
        : {}),
    };
  });
  const sweep = [-4, -1.5, -0.7, 0.7, 1.5, 4].map((gain) => ({
    gain,
    output: 60_000 + gain * random.between(-600, 600) + 700 * random.normal(),
  }));
  expect([
    rounded(crackingResult(cycles)),
    rounded(alignmentOf(sweep, 80_000, 400 * (1 + (seed % 4)))),
  ]).toMatchSnapshot();
});

test.each(drawn(20))('a table of points, up and down, bent and frozen: table %d', (seed) => {
  const random = seededRandom(900 + seed);
  const [bow, tilt, gap] = [
    random.between(-0.02, 0.02),
    random.between(-0.02, 0.02),
    random.between(0, 0.01),
  ];
  const held = seed % 6 === 0 ? random.between(0, 0.02) : 1;
  const points: CalPoint[] = [1, 2].slice(0, 1 + (seed % 2)).flatMap((pass) =>
    (['up', 'down'] as const).flatMap((direction) => {
      const at = [0, 0.25, 0.5, 0.75, 1];
      if (direction === 'down') at.reverse();
      return at.map((each) => {
        const error =
          bow * Math.sin(Math.PI * each) + tilt * each + gap * (direction === 'down' ? 1 : 0);
        return {
          at: each,
          output: held * (each + error) + 0.001 * random.normal(),
          direction,
          pass,
        };
      });
    }),
  );
  expect(rounded(pointTable(points))).toMatchSnapshot();
  // A part of the range, as of a split one: neither end is at nothing or at the whole.
  const part = points.map((point) => ({
    ...point,
    at: 0.2 + 0.5 * point.at,
    output: 0.2 + 0.5 * point.output,
  }));
  const wanted = [0.2, 0.325, 0.45, 0.575, 0.7];
  expect(rounded(pointTable(part, wanted))).toMatchSnapshot();
});
