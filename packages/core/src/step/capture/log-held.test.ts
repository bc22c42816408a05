import type { Gauge } from '../../gauge';
import { notInLog } from './log-held';

/** Up to 1000 kPa and down to nothing again, so many times, a sample each 100 kPa. */
const ramps = (times: number): [number, number][] =>
  Array.from({ length: times }, () => [
    ...Array.from({ length: 10 }, (_, i) => i * 100_000),
    ...Array.from({ length: 10 }, (_, i) => 1_000_000 - i * 100_000),
  ])
    .flat()
    .map((value, i): [number, number] => [i, value]);
const log = (cycles: Parameters<typeof notInLog>[0]['cycles'], samples = ramps(3)) =>
  notInLog({ type: 'log_taken', step_id: 's', name: 'ramp.csv', samples, cycles }, undefined);
const refused = (figure: number) => ({ code: 'run.not_in_log', figure });

test('figures that the line came to are taken', () => {
  const cycle = { cracked: 930_000, full_flow: 990_000, reseated: 850_000, sure: 0.9 };
  expect(log([cycle, cycle, cycle])).toBeUndefined();
  expect(log([{ reseated: 0, sure: 1 }])).toBeUndefined();
  // A fitted corner may lie a hundredth of what was logged beyond it, and what the gauge can tell.
  expect(log([{ cracked: 1_009_000, sure: 1 }])).toBeUndefined();
  const coarse = { resolution_pa: 5000 } as Gauge;
  const held = { type: 'log_taken', step_id: 's', name: '', samples: ramps(1) } as const;
  const at = (cracked: number) => notInLog({ ...held, cycles: [{ cracked, sure: 1 }] }, coarse);
  expect([at(1_014_000), at(1_016_000)]).toEqual([undefined, refused(1_016_000)]);
});

test('a figure that it never had is refused, whichever it is', () => {
  expect(log([{ cracked: 1_011_000, sure: 1 }])).toEqual(refused(1_011_000));
  expect(log([{ cracked: 900_000, full_flow: 1_200_000, sure: 1 }])).toEqual(refused(1_200_000));
  expect(log([{ reseated: -11_000, sure: 1 }])).toEqual(refused(-11_000));
  const cycle = { cracked: 930_000, sure: 1 };
  expect(log([cycle, { ...cycle, reseated: 2_000_000 }])).toEqual(refused(2_000_000));
});

test('the line has come up once for each opening', () => {
  const cycle = { cracked: 930_000, sure: 1 };
  expect(log([cycle, cycle, cycle, cycle])).toEqual(refused(930_000));
  expect(log([cycle, cycle], ramps(1))).toEqual(refused(930_000));
  // Of two openings on one ramp only the lower is left over.
  expect(log([{ cracked: 400_000, sure: 1 }, cycle], ramps(1))).toEqual(refused(400_000));
  // A log that begins above it has come up to it once.
  const fallen = ramps(2).slice(8);
  expect(log([cycle, cycle], fallen)).toBeUndefined();
  expect(log([cycle, cycle, cycle], fallen)).toEqual(refused(930_000));
});

test('without a sample there is nothing to go by', () => {
  expect(log([{ cracked: 930_000, sure: 1 }], [])).toEqual(refused(930_000));
});
