import { emptyRepair, repairFormSchema, toRepair, type RepairTexts } from './repair-form';

const now = new Date(2026, 10, 24, 15, 30).getTime();
const written = (over: Partial<RepairTexts> = {}): RepairTexts => ({
  ...emptyRepair(now, 'Tomas Brandt'),
  found: 'Diaphragm torn',
  parts: ['diaphragm'],
  ...over,
});
const made = { id: 'r', valveId: 'prv-1', now };
const troubles = (over: Partial<RepairTexts>) => {
  const { error } = repairFormSchema(now).safeParse(written(over));
  return error?.issues.map(({ path, message }) => [path.join(), message]) ?? [];
};

describe('a repair that is written down', () => {
  test('of today was done now; of another day, at its noon', () => {
    expect(toRepair(written(), made)).toEqual({
      id: 'r',
      valve_id: 'prv-1',
      at_ms: now,
      by: 'Tomas Brandt',
      found: 'Diaphragm torn',
      parts: ['diaphragm'],
    });
    const before = toRepair(
      written({ done_on: '2026-11-02', note: 'Lapped', parts_due_on: '2029-11-02' }),
      made,
    );
    expect(before).toMatchObject({ note: 'Lapped', parts_due_on: '2029-11-02' });
    expect(before.at_ms).toBe(new Date(2026, 10, 2, 12).getTime());
  });

  test('is taken as it is, with a part or none', () => {
    expect(troubles({})).toEqual([]);
    expect(troubles({ parts: [], parts_due_on: '2026-11-25' })).toEqual([]);
  });

  test.each<[string, Partial<RepairTexts>, string, RegExp]>([
    ['a day that is still to come', { done_on: '2026-11-25' }, 'done_on', /still to come/u],
    ['a day that is none', { done_on: '2026-02-30' }, 'done_on', /such as/u],
    ['nothing found', { found: ' x ' }, 'found', /what was found/u],
    ['nobody', { by: ' ' }, 'by', /Who/u],
    ['parts due on the same day', { parts_due_on: '2026-11-24' }, 'parts_due_on', /after/u],
    ['parts due some time', { parts_due_on: 'soon' }, 'parts_due_on', /./u],
  ])('with %s is not taken, and says why', (_, over, field, why) => {
    const [first] = troubles(over);
    expect(first![0]).toBe(field);
    expect(first![1]).toMatch(why);
  });
});
