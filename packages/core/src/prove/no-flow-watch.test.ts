import { differencePa, gaugePa } from '../quantity';
import { seededRandom, type Sample } from '../numerics';
import { unwrap } from '../result';
import { noFlowWatch, type WatchedShape } from './no-flow-watch';

const DIVISION = 2000;
const rule = {
  setPoint: gaugePa(520_000),
  resolution: DIVISION,
  allowed: differencePa(50_000),
  creepDivisions: 1.5,
};
const judge = (samples: readonly Sample[]) => unwrap(noFlowWatch(samples, rule));

type World = { readonly creep: number; readonly seconds: number; readonly every: number };

/** A lockup that dies out, and creep on top, as a gauge of 2 kPa with some noise reads it. */
function watched(seed: number, { creep, seconds, every }: World): Sample[] {
  const random = seededRandom(seed);
  const rise = random.between(0, 45_000);
  const timeConstant = random.between(1, 30);
  const noise = random.between(0, DIVISION / 2);
  return Array.from({ length: Math.floor(seconds / every) + 1 }, (_, i) => {
    const t = i * every;
    const truth = 520_000 + rise * (1 - Math.exp(-t / timeConstant)) + creep * t;
    return { t, value: Math.round((truth + noise * random.normal()) / DIVISION) * DIVISION };
  });
}

/** Shares of the seeds that were told each shape. */
function told(world: World, seeds: number): Readonly<Record<WatchedShape, number>> {
  const shares = { levels: 0, creeps: 0, cannot_tell: 0 };
  for (let seed = 1; seed <= seeds; seed++) shares[judge(watched(seed, world)).shape] += 1 / seeds;
  return shares;
}

const flat = (count: number, every: number): Sample[] =>
  Array.from({ length: count }, (_, i) => ({ t: i * every, value: 540_000 }));

describe('an outlet that is watched with nothing flowing', () => {
  const linked = { seconds: 180, every: 1 };
  test('three minutes tell the least creep from a lockup', () => {
    expect(told({ creep: 50, ...linked }, 60).creeps).toBeGreaterThanOrEqual(0.98);
    expect(told({ creep: 300, ...linked }, 30).creeps).toBeCloseTo(1, 9);
  });
  test('and a lockup is not called creep', () => {
    const shares = told({ creep: 0, ...linked }, 60);
    expect(shares.creeps).toBe(0);
    expect(shares.levels).toBeGreaterThanOrEqual(0.98);
  });
  test('one minute is not enough to pass the least creep', () => {
    expect(told({ creep: 50, seconds: 60, every: 1 }, 40).levels).toBeLessThanOrEqual(0.05);
    expect(told({ creep: 0, seconds: 60, every: 1 }, 40).creeps).toBeLessThanOrEqual(0.05);
  });
  test('a few typed readings tell nothing, and more of them do', () => {
    expect(told({ creep: 60, seconds: 40, every: 8 }, 40)).toMatchObject({ levels: 0 });
    expect(judge(flat(5, 8)).shape).toBe('cannot_tell');
    expect(judge(flat(9, 7.5)).shape).toBe('levels');
    expect(told({ creep: 75, seconds: 180, every: 15 }, 40).creeps).toBeGreaterThan(0.9);
  });
  test('a valve that weeps down to its set point levels', () => {
    expect(told({ creep: -50, ...linked }, 20).levels).toBeCloseTo(1, 9);
  });
});

describe('the verdict of a watch', () => {
  const creeping = Array.from({ length: 181 }, (_, t) => ({ t, value: 520_000 + 100 * t }));
  test('says how fast it creeps, and nothing of a lockup that stands', () => {
    const creep = judge(creeping);
    expect(creep).toMatchObject({ shape: 'creeps', passes: false, rise: 18_000, allowed: 50_000 });
    expect(Math.abs(creep.creepRate - 100)).toBeLessThan(5);
    expect(judge(flat(61, 1))).toMatchObject({ shape: 'levels', creepRate: 0, rise: 20_000 });
  });
  test('passes what levels up to what is allowed, and not a pascal more', () => {
    const at = (allowed: number) =>
      unwrap(noFlowWatch(flat(61, 1), { ...rule, allowed: differencePa(allowed) })).passes;
    expect(at(20_000)).toBe(true);
    expect(at(19_999)).toBe(false);
  });
  test('never passes what cannot be told', () => {
    expect(judge(flat(5, 8))).toMatchObject({ shape: 'cannot_tell', passes: false });
  });
  test('what the owner calls creep decides', () => {
    const slow = Array.from({ length: 181 }, (_, t) => ({ t, value: 520_000 + 100 * t }));
    const at = (creepDivisions: number) =>
      unwrap(noFlowWatch(slow, { ...rule, creepDivisions })).shape;
    expect(at(1.5)).toBe('creeps');
    expect(at(12)).toBe('levels');
  });
  test('too few readings are said', () => {
    expect(noFlowWatch(flat(4, 20), rule)).toEqual({
      ok: false,
      error: { code: 'prove.too_few_readings', have: 4, want: 5 },
    });
  });
});
