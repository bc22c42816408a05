import { startedDraft } from '../testing/samples';
import {
  partsDueOn,
  repairAnswered,
  repairSchema,
  repairsOf,
  repairWords,
  unprovedRepair,
  type Repair,
} from './repair';
import { startDraft } from './start-run';

const repair = (over: Partial<Repair> = {}): Repair => ({
  id: 'a',
  valve_id: 'prv-1',
  at_ms: 1000,
  by: 'Tomas Brandt',
  found: 'Seat wire-drawn',
  parts: ['seat'],
  ...over,
});
const visit = (signed_at_ms: number, rehearsal = false) => ({ body: { signed_at_ms, rehearsal } });

describe('a repair', () => {
  test('wants the valve proved anew until a record has come after it', () => {
    const last = repair({ id: 'b', at_ms: 2000 });
    const both = [last, repair()];
    expect(unprovedRepair([], [])).toBeUndefined();
    expect(unprovedRepair(both, [])).toBe(last);
    expect(unprovedRepair(both, [visit(1500)])).toBe(last);
    expect(unprovedRepair(both, [visit(2000)])).toBe(last);
    expect(unprovedRepair(both, [visit(2001, true)])).toBe(last);
    expect(unprovedRepair(both, [visit(2001)])).toBeUndefined();
  });

  test('is named by the run that comes after it, never by practice', () => {
    const { valve_id, valve_tag: tag, plate, target, gauges, house_rules } = startedDraft();
    const valve = { id: valve_id, tag, name: '', place: '', plate, target };
    const start = (repairs: readonly Repair[], over: object = {}) =>
      startDraft(valve, {
        school: 'from_zero',
        gauges,
        rules: house_rules,
        sheets: [],
        repairs,
        ...over,
      }).answers_repair;
    expect(start([])).toBeUndefined();
    expect(start([repair()])).toEqual({ id: 'a', at_ms: 1000 });
    expect(start([repair()], { twin: { seed: 1, faults: [], found_pa: 1 } })).toBeUndefined();
    expect(repairAnswered(repair())).toEqual({ id: 'a', at_ms: 1000 });
  });

  test('its parts are due by the latest that names a day', () => {
    expect(partsDueOn([])).toBeUndefined();
    const first = repair({ parts_due_on: '2028-01-01' });
    const second = repair({ id: 'b', at_ms: 2000, parts_due_on: '2031-01-01' });
    expect(partsDueOn([second, first])).toBe('2031-01-01');
    expect(partsDueOn([first, repair({ id: 'c', at_ms: 3000 })])).toBe('2028-01-01');
  });

  test('stands with its valve, oldest first, and is said in a line', () => {
    const other = repair({ id: 'x', valve_id: 'prv-2' });
    const later = repair({ id: 'b', at_ms: 2000 });
    expect(repairsOf([later, other, repair()], 'prv-1').map(({ id }) => id)).toEqual(['a', 'b']);
    expect(repairWords({ parts: ['diaphragm', 'seat'] })).toBe('Diaphragm, seat changed');
    expect(repairWords({ parts: [] })).toBe('Stripped and cleaned, nothing changed');
  });

  test.each([
    ['no finding', { found: 'x' }],
    ['a part that there is not', { parts: ['wheel'] }],
    ['a name of one letter', { by: 'T' }],
    ['a day that is none', { parts_due_on: '2028-13-01' }],
    ['half a millisecond', { at_ms: 0.5 }],
  ])('with %s is none', (_, over) => {
    expect(repairSchema.safeParse(repair()).success).toBe(true);
    expect(repairSchema.safeParse({ ...repair(), ...over }).success).toBe(false);
  });
});
