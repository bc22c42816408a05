import { defaultHouseRules as bare } from '@holvek/core';
import { completeRules, figureAt, flowRows, ordinaryOf, ruleGroups } from './house-rule-rows';
import { matching } from './house-rules-form';

const defaultHouseRules = completeRules(bare);
const groups = [...ruleGroups, flowRows(defaultHouseRules)];
const rows = groups.flatMap((group) => group.rows);

/** Every place of a number within the rules, but the sizes of the flow table. */
function placesOf(value: unknown, at = ''): string[] {
  if (typeof value === 'number') return at.endsWith('size_dn') ? [] : [at];
  return Object.entries(value as object).flatMap(([key, each]) =>
    placesOf(each, at === '' ? key : `${at}.${key}`),
  );
}

describe('the figures of the house', () => {
  test('each stands in the form once, under a name of its own', () => {
    expect(rows.map(({ path }) => path).sort()).toEqual(placesOf(defaultHouseRules).sort());
    expect(new Set(rows.map(({ label }) => label)).size).toBe(rows.length);
  });
  test('each has its ordinary figure', () => {
    for (const row of rows)
      expect(ordinaryOf(defaultHouseRules, row)).toBe(figureAt(defaultHouseRules, row.path));
  });
  test('a size of the house’s own has none, and a known size has that of its size', () => {
    const own = { size_dn: 77, flow_m3s: 1e-3 };
    const rules = { ...defaultHouseRules, min_flow: [own, ...defaultHouseRules.min_flow] };
    const [first, second] = flowRows(rules).rows;
    expect(ordinaryOf(rules, first!)).toBeUndefined();
    expect(ordinaryOf(rules, second!)).toBe(defaultHouseRules.min_flow[0]!.flow_m3s);
  });
  test('are found by group and by words in any order', () => {
    const found = (find: string) => groups.flatMap((group) => matching(group, find).rows);
    expect(found('gas lockup')).toHaveLength(4);
    expect(found('least FLOW by').map(({ label }) => label)).toContain('DN 40');
    expect(found('no such thing')).toEqual([]);
    expect(found('')).toHaveLength(rows.length);
  });
});
