import { readRamps, seededRandom, type Sample } from '@holvek/core';

/** How a logged ramp may be: shape of the way up, noise and its correlation from sample to sample, and whether it opens. */
const worlds = [
  { world: 'straight, white noise', bend: 0, alike: 0, opens: true },
  { world: 'straight, slow noise', bend: 0, alike: 0.9, opens: true },
  { world: 'bent, white noise', bend: 0.5, alike: 0, opens: true },
  { world: 'bent, slow noise', bend: 0.5, alike: 0.9, opens: true },
  { world: 'short plateau', bend: 0, alike: 0, opens: true, plateau: 0.06 },
  { world: 'straight, never opens', bend: 0, alike: 0, opens: false },
  { world: 'straight, slow noise, never opens', bend: 0, alike: 0.9, opens: false },
  { world: 'bent, never opens', bend: 0.6, alike: 0, opens: false },
  { world: 'bent, slow noise, never opens', bend: 0.6, alike: 0.9, opens: false },
] as const;
type World = (typeof worlds)[number];

const DIVISION = 2000;
const OPENS = 1e6;

function rampOf(seed: number, world: World): Sample[] {
  const random = seededRandom(seed);
  const before = Math.round(random.between(60, 300));
  const noise = random.between(0.2, 2) * DIVISION;
  const bend = world.bend * random.between(0.3, 1) * (random.between(0, 1) > 0.5 ? 1 : -1);
  const flattens = random.between(0, 0.5);
  const after = Math.round(
    before * ('plateau' in world ? world.plateau : random.between(0.1, 0.6)),
  );
  const from = random.between(0.4, 0.8) * OPENS;
  const slope = (OPENS - from) / before;
  const samples: Sample[] = [];
  let drift = 0;
  for (let i = 0; i <= before + after; i++) {
    const share = i / before;
    const shut = from + (OPENS - from) * (share + bend * share * (share - 1));
    const atOpening = slope * (1 + bend);
    const truth = world.opens && i > before ? OPENS + flattens * atOpening * (i - before) : shut;
    drift = world.alike * drift + Math.sqrt(1 - world.alike ** 2) * noise * random.normal();
    samples.push({ t: i / 2, value: Math.round((truth + drift) / DIVISION) * DIVISION });
  }
  return samples;
}

/**
 * Cracking read from made ramps: what was found, how far off, and how often nine in ten held.
 * Wanted: beyond 2 % at most 0.5 %, coverage 90 ± 3.
 */
export function rampsBench(count: number) {
  return worlds.map((world) => {
    let [found, far, held] = [0, 0, 0];
    const errors: number[] = [];
    for (let seed = 1; seed <= count; seed++) {
      const read = readRamps(rampOf(seed, world), DIVISION);
      const up = read.ok ? read.value.find(({ kind }) => kind === 'up') : undefined;
      if (!up) continue;
      found += 1;
      const error = Math.abs(up.pressure - OPENS) / OPENS;
      errors.push(error);
      if (error > 0.02) far += 1;
      if (up.low <= OPENS && OPENS <= up.high) held += 1;
    }
    errors.sort((a, b) => a - b);
    return {
      world: world.world,
      'found, %': (100 * found) / count,
      'off by more than 2 %, %': (100 * far) / count,
      'median off, %': 100 * (errors[Math.floor(errors.length / 2)] ?? Number.NaN),
      'within its bounds, %': world.opens ? (100 * held) / Math.max(1, found) : Number.NaN,
    };
  });
}
