import { valveSchema, type Valve } from '../exchange';
import { adjustersOf, families, procedureOf, type Family } from '../family';
import { familySamples, type SampleName } from '../testing/family-samples';
import { plate, target } from '../testing/samples';
import { ratingOf } from '../valve';
import { caseOf, causesOfFault, faultsOf, namedCauses, valveOfDay } from './cases';

const valve = (id: string, over: Partial<Valve> = {}): Valve => ({
  id,
  tag: id.toUpperCase(),
  name: '',
  place: 'Pit',
  plate,
  target,
  ...over,
});
const of = (name: SampleName): Valve => {
  const { plate: own, target: its } = familySamples[name];
  return valve(name, { plate: own as Valve['plate'], target: its });
};
const keys = Array.from({ length: 200 }, (_, i) => `2026-${i}`);

describe('a case made of one’s own valve', () => {
  test('is the same for the same key and valve, and another for another', () => {
    const one = caseOf(valve('a'), { key: '2026-11-27' });
    expect(caseOf(valve('a'), { key: '2026-11-27' })).toEqual(one);
    expect(caseOf(valve('a'), { key: '2026-11-28' }).seed).not.toBe(one.seed);
    expect(caseOf(valve('b'), { key: '2026-11-27' }).seed).not.toBe(one.seed);
  });

  test('hides one fault of its family, or nothing in about one of four', () => {
    const cases = keys.map((key) => caseOf(valve('a'), { key }));
    const sound = cases.filter(({ faults }) => faults.length === 0).length;
    expect(sound).toBeGreaterThan(30);
    expect(sound).toBeLessThan(70);
    const hidden = new Set(cases.flatMap(({ faults }) => faults));
    expect([...hidden].sort()).toEqual([...faultsOf(valve('a'))].sort());
    expect(cases.every(({ faults }) => faults.length <= 1)).toBe(true);
  });

  test('has the fault that is asked for', () => {
    for (const key of keys.slice(0, 20))
      expect(caseOf(valve('a'), { key, fault: 'trapped_air' }).faults).toEqual(['trapped_air']);
  });

  test.each(Object.keys(familySamples) as SampleName[])(
    '%s: is found off its target, short of limit and rating, as the register keeps it',
    (name) => {
      const own = of(name);
      const { set_point_pa: set, limit_pa: limit } = own.target;
      const [first] = adjustersOf(own.plate);
      for (const key of keys.slice(0, 60)) {
        const sketch = caseOf(own, { key });
        expect(valveSchema.safeParse({ ...own, twin: sketch }).success).toBe(true);
        if (set > 0)
          expect(sketch.found_pa).toBeLessThan(Math.min(limit, ratingOf(own.plate, first!.role)));
        else expect(sketch.found_pa).toBeGreaterThan(limit);
      }
    },
  );

  test.each(Object.keys(families) as Family[])(
    '%s: each fault is named by a cause of its list',
    (family) => {
      const known = procedureOf(family).causes.map(({ id }) => id);
      const sample = Object.values(familySamples).find(({ plate: own }) => own.family === family);
      for (const fault of faultsOf({ plate: (sample?.plate ?? plate) as Valve['plate'] })) {
        const named = causesOfFault(family, fault);
        expect(named.length).toBeGreaterThan(0);
        expect(known).toEqual(expect.arrayContaining([...named]));
      }
      const priors = namedCauses(family).map(({ prior }) => prior);
      expect(priors).toEqual([...priors].sort((a, b) => b - a));
    },
  );
});

describe('the case of a day', () => {
  const retired = valve('c', { retired: { why: 'gone', on: '2026-01-01' } });
  const all = [valve('a'), valve('b'), retired, of('controller')];

  test('is of one valve for everybody, whatever the order of the register, and moves on', () => {
    const days = Array.from({ length: 30 }, (_, i) => `2026-12-${String(i + 1).padStart(2, '0')}`);
    const seen = days.map((day) => valveOfDay(all, day)!.id);
    expect(days.map((day) => valveOfDay([...all].reverse(), day)!.id)).toEqual(seen);
    expect([...new Set(seen)].sort()).toEqual(['a', 'b']);
  });

  test('is none where no twin hides anything', () => {
    expect(valveOfDay([retired, of('controller')], '2026-12-01')).toBeUndefined();
    expect(valveOfDay([], '2026-12-01')).toBeUndefined();
  });
});
