import type { Valve } from '../exchange';
import type { ValveVisit } from '../sheet';
import { defaultHouseRules as rules, type Duty } from '../valve';
import { familySamples, type SampleName } from '../testing/family-samples';
import { plate, target } from '../testing/samples';
import { driftOfVisits, dueOf } from './due';

const DAY = 86_400_000;
const dayOf = (ms: number): string => new Date(ms).toISOString().slice(0, 10);
const valve = (over: Partial<Valve> = {}): Valve => ({
  id: 'v',
  tag: 'PRV-1',
  name: '',
  place: '',
  plate,
  target,
  ...over,
});
const visit = (day: string, found: number | null, left: number, outcome = 'set') =>
  ({
    id: day,
    hash: day,
    body: {
      outcome,
      signed_at_ms: Date.parse(`${day}T10:00:00Z`),
      gauges: {},
      settings: [{ as_found_pa: found, as_left_pa: left }],
      target,
    },
  }) as unknown as ValveVisit;
const set = target.set_point_pa;
const steady = [visit('2024-11-01', set, set), visit('2025-11-20', set, set)];
/** Up by a good lane in a year. */
const drifting = [
  visit('2023-11-01', set, set),
  visit('2024-11-01', set + 1.4 * target.tolerance_pa, set),
  visit('2025-11-20', set + 1.5 * target.tolerance_pa, set),
];

describe('when a valve wants its next look', () => {
  test.each<[Duty, string]>([
    ['gas', '2026-11-20'],
    ['fire', '2026-11-20'],
    ['safety', '2026-11-20'],
    ['process', '2026-11-20'],
    ['comfort', '2027-11-20'],
  ])('%s: by the interval of its duty', (duty, day) => {
    const due = dueOf(valve({ duty }), steady, rules)!;
    expect(dayOf(due.likely)).toBe(day);
    expect(due).toMatchObject({ duty, because: 'interval' });
    expect([due.earliest, due.latest]).toEqual([due.likely, due.likely]);
  });

  test.each<[Duty, number]>([
    ['gas', 0],
    ['fire', 0],
    ['safety', 0],
    ['process', 30],
    ['comfort', 30],
  ])('%s: late %d days after', (duty, grace) => {
    const due = dueOf(valve({ duty }), steady, rules)!;
    expect(due.lateFrom - due.likely).toBe(grace * DAY);
  });

  test('its owner’s own interval outranks that of its duty', () => {
    const due = dueOf(valve({ duty: 'comfort', visit_months: 3 }), steady, rules)!;
    expect(dayOf(due.likely)).toBe('2026-02-20');
    expect(due.months).toBe(3);
  });

  test('what nobody has said by duty is the same for all, as it was', () => {
    const { visits: _, ...before } = rules;
    const due = dueOf(valve({ duty: 'comfort' }), steady, { ...before, months_between_visits: 6 })!;
    expect(dayOf(due.likely)).toBe('2026-05-20');
  });

  test.each<[SampleName, Duty]>([
    ['gas', 'gas'],
    ['burner_pilot', 'gas'],
    ['relief_pilot', 'safety'],
    ['relief_spring', 'safety'],
    ['suction', 'comfort'],
    ['hydraulic', 'process'],
  ])('%s is there for %s where nobody says otherwise', (name, duty) => {
    const { plate: own } = familySamples[name];
    expect(dueOf(valve({ plate: own as Valve['plate'] }), steady, rules)!.duty).toBe(duty);
  });

  test('an approval makes it fire protection', () => {
    const approved = { ...plate, approval: { scheme: 'Wet riser', accessories: [] } };
    expect(dueOf(valve({ plate: approved }), steady, rules)!.duty).toBe('fire');
  });

  test('drift brings it forward, with its doubt, never put off', () => {
    const due = dueOf(valve(), drifting, rules)!;
    expect(due.because).toBe('drift');
    expect(due.likely).toBeLessThan(Date.parse('2026-11-01'));
    expect(due.earliest).toBeLessThan(due.likely);
    expect(due.latest).toBeGreaterThanOrEqual(due.likely);
    expect(due.latest).toBeLessThanOrEqual(Date.parse('2026-11-20T10:00:00Z'));
  });

  test('a look that turned nothing does not put off the next one; never set is never due', () => {
    const looked = [...steady, visit('2026-03-01', set, set, 'left_as_found')];
    expect(dueOf(valve(), looked, rules)).toEqual(dueOf(valve(), steady, rules));
    expect(dueOf(valve(), [], rules)).toBeUndefined();
  });

  test('two visits are too few to speak of drift', () => {
    expect(driftOfVisits(valve(), drifting.slice(0, 2))).toBeUndefined();
    expect(driftOfVisits(valve(), drifting)!.perDay).toBeGreaterThan(0);
  });
});
