import {
  absolutePa,
  actOnTwin,
  advanceTwin,
  readLogCsv,
  readRamps,
  seededRandom,
  twinOf,
  twinOutputs,
  type EventOf,
  type Sample,
  type Twin,
} from '@holvek/core';
import { familyStarted, type SampleName } from '../../packages/core/src/testing/family-samples';
import { stamp } from '../../packages/core/src/testing/samples';

export const plants: readonly {
  readonly name: SampleName;
  readonly up: Record<string, number | string>;
  readonly down: Record<string, number | string>;
  readonly park: Record<string, number | string>;
}[] = [
  { name: 'relief_pilot', up: { line: 'over' }, down: { line: 'low' }, park: { line: 'low' } },
  { name: 'relief_spring', up: { throttle: 0 }, down: { throttle: 1 }, park: { throttle: 0.5 } },
  { name: 'vacuum', up: { throttle: 0 }, down: { throttle: 1 }, park: { throttle: 0.5 } },
];

/** Opening of the throttle that holds a pressure while the relief is shut, 0 … 1. */
function throttleFor({ plant }: Twin, wanted: number): number {
  if (plant.kind !== 'line') throw new Error('only a line has a throttle');
  const source = plant.params.elements.find((element) => element.kind === 'source')!;
  const cock = plant.params.elements.find((element) => element.kind === 'cock')!;
  const flow = Math.sqrt(Math.max(0, source.levels['on']! - wanted) / source.resistance);
  return Math.min(1, Math.sqrt(flow / (cock.capacity * Math.sqrt(Math.max(wanted, 1)))));
}

/** A ramp up and down of one seeded twin, as a logging gauge would write it, and where it truly opened. */
export function rampOf({ name, up, down, park }: (typeof plants)[number], seed: number) {
  const draft = familyStarted(name);
  const sketch = { ...draft.twin!, seed, found_pa: draft.target.set_point_pa };
  let twin = advanceTwin(
    actOnTwin(twinOf(stamp({ ...draft, twin: sketch }, 1) as EventOf<'started'>)!, park),
    60,
  );
  const random = seededRandom(seed * 13 + 1);
  const resolution = draft.gauges.inlet!.resolution_pa;
  const samples: Sample[] = [];
  let truth: number | undefined;
  let isOpen = false;
  const live = (does: Record<string, number | string>, seconds: number) => {
    twin = actOnTwin(twin, does);
    for (let t = 0; t < seconds; t += 0.25) {
      twin = advanceTwin(twin, 0.25);
      const { inlet, opening } = twinOutputs(twin);
      // A valve that pops has let the pressure fall by the time its lift is seen: the highest until then counts.
      if (!isOpen && Math.abs(inlet) > Math.abs(truth ?? 0)) truth = inlet;
      isOpen ||= opening > 0.005;
      const noisy = inlet + random.normal() * resolution * 0.4;
      samples.push({ t: twin.t, value: Math.round(noisy / resolution) * resolution });
    }
  };
  const isThrottled = name !== 'relief_pilot';
  if (!isThrottled) {
    live(up, 60);
    live(down, 60);
  } else
    // A careful hand throttles so that the pressure rises steadily, and lets it down as steadily.
    for (let t = 0; t < 120; t += 0.25) {
      const share = t < 60 ? 0.5 + 0.7 * (t / 60) : 1.2 - 0.7 * ((t - 60) / 60);
      live(
        { throttle: throttleFor(twin, share * Math.abs(draft.target.set_point_pa / 1000)) },
        0.25,
      );
    }
  return { samples, truth, resolution };
}

/** The other way: where the second difference of the pressure is largest on the way up. */
function bySecondDifference(samples: readonly Sample[]): number {
  const top = samples.reduce(
    (best, { value }, i) => (Math.abs(value) > Math.abs(samples[best]!.value) ? i : best),
    0,
  );
  let at = 1;
  let largest = -1;
  for (let i = 2; i < top - 2; i++) {
    const bend = Math.abs(samples[i + 2]!.value - 2 * samples[i]!.value + samples[i - 2]!.value);
    if (bend > largest) [largest, at] = [bend, i];
  }
  return samples[at]!.value;
}

/** Bias, spread and share within a readable division, by plant and by method. */
export function crackingBench(count: number) {
  return plants.flatMap((plant) => {
    const errors: Record<string, number[]> = {
      'piecewise fit': [],
      'largest second difference': [],
    };
    let missed = 0;
    let resolution = 1;
    for (let seed = 1; seed <= count; seed++) {
      const ramp = rampOf(plant, seed);
      resolution = ramp.resolution;
      if (ramp.truth === undefined) continue;
      const sign = ramp.truth < 0 ? -1 : 1;
      const sized = ramp.samples.map(({ t, value }) => ({ t, value: sign * value }));
      const read = readRamps(sized, resolution);
      const found = read.ok ? read.value.find(({ kind }) => kind === 'up') : undefined;
      if (found) errors['piecewise fit']!.push(found.pressure - sign * ramp.truth);
      else missed += 1;
      errors['largest second difference']!.push(bySecondDifference(sized) - sign * ramp.truth);
    }
    return Object.entries(errors).map(([method, all]) => {
      const mean = all.reduce((a, b) => a + b, 0) / all.length;
      return {
        plant: plant.name,
        method,
        'bias, divisions': mean / resolution,
        'spread, divisions':
          Math.sqrt(all.reduce((sum, e) => sum + (e - mean) ** 2, 0) / all.length) / resolution,
        'within one division, %':
          (100 * all.filter((e) => Math.abs(e) <= resolution).length) / all.length,
        'not found': method === 'piecewise fit' ? missed : 0,
      };
    });
  });
}

/** A log of a million rows: reading it against splitting its lines, and fitting its ramps. */
export async function millionRows() {
  const random = seededRandom(2);
  const lines = ['time (s);pressure (kPa)'];
  for (let i = 0; i < 1e6; i++) {
    const share = (i % 250_000) / 250_000;
    const ramp = 900 + 400 * (share < 0.5 ? 2 * share : 2 - 2 * share);
    lines.push(
      `${(i * 0.01).toFixed(2)};${((ramp > 1180 ? 1180 + (ramp - 1180) * 0.2 : ramp) + random.normal()).toFixed(1)}`,
    );
  }
  const text = lines.join('\n');
  const start = performance.now();
  const split = text.split('\n').map((line) => line.split(';').map(Number)).length;
  const middle = performance.now();
  const log = readLogCsv(text, { unit: 'kPa', barometer: absolutePa(101_325) });
  const read = performance.now();
  const ramps = log.ok ? readRamps(log.value.samples, 1000) : undefined;
  const end = performance.now();
  return [
    { work: `split ${split} lines by hand`, ms: middle - start, ratio: 1 },
    { work: 'read the log', ms: read - middle, ratio: (read - middle) / (middle - start) },
    {
      work: `fit ${ramps?.ok ? ramps.value.length : 0} ramps`,
      ms: end - read,
      ratio: (end - read) / (middle - start),
    },
  ];
}
