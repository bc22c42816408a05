import { defaultHouseRules as rules } from '@holvek/core';
import { labelOf } from './label-lines';
import { unitsIn } from '@/units/use-units';
import { positioner } from '@/testing/family-samples';
import { sheet, valve } from '@/testing/samples';

const units = unitsIn('bar', 'L/s');
const about = { rules, units, origin: 'https://holvek.example' };
const plainly = (lines: readonly string[]) =>
  lines.map((line) => line.replace(/[\u2009\u00A0\u202F]/gu, ' '));

describe('what hangs on a valve', () => {
  test('what was last left, when, and when it wants its next look', () => {
    const label = labelOf(valve, [sheet('2025-11-20', 440, 441)], about);
    expect(label.tag).toBe(valve.tag);
    expect(label.address).toBe(`https://holvek.example/valves/${valve.id}`);
    const [name, left, on, next] = plainly(label.lines);
    expect(name).toBe(valve.name);
    expect(left).toMatch(/^as left 4\.4\d* bar$/u);
    expect(on).toBe('on 2025-11-20');
    expect(next).toMatch(/^next by 2026-/u);
  });

  test('one that was never set says what is asked of it', () => {
    const lines = plainly(labelOf(valve, [], about).lines);
    expect(lines[1]).toMatch(/^reduce to /u);
    expect(lines.at(-1)).toBe('not set yet');
  });

  test('an instrument without a setting says what it is for', () => {
    expect(plainly(labelOf(positioner, [], about).lines)[1]).toMatch(/mA/u);
  });

  test('an id that is no plain word stands in the address as one', () => {
    expect(labelOf({ ...valve, id: 'a/b c' }, [], about).address).toMatch(/valves\/a%2Fb%20c$/u);
  });
});
