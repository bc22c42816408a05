import { readCsv } from '../exchange/csv-table';
import { unwrap } from '../result';
import type { MadeProblem } from './make-problem';
import { isAbout } from './feed';
import { planLines, writePlanCsv } from './plan-lines';
import type { Season } from './season';

const valve = (id: string) => ({
  id,
  tag: id.toUpperCase(),
  name: `Valve ${id}`,
  place: 'Terrace, pit',
});
const valves = new Map(['a', 'b', 'c'].map((id) => [id, valve(id)]));
const wanted = {
  because: 'interval',
  duty: 'process',
  earliest: '2026-11-20',
  likely: '2026-12-01',
  late: '2026-12-20',
};
const made = {
  days: ['2026-11-23', '2026-11-24'],
  people: [
    { id: 'p1', name: 'Edda' },
    { id: 'p2', name: 'Ines' },
  ],
  problem: { blocks: [{ valves: ['b', 'a'] }, { valves: ['c'] }, { valves: ['gone'] }] },
  visits: new Map(
    ['a', 'b', 'c', 'gone'].map((id) => [id, { wanted, effort: { minutes: 24.6, spread: 5 } }]),
  ),
} as unknown as MadeProblem;
const routes = [
  [[], [1]],
  [[0, 2], []],
];
const rules: Season['rules'] = [
  { kind: 'together', id: 'r1', why: '=one isolation', valve_ids: ['a', 'b'] },
  { kind: 'before', id: 'r2', why: 'it feeds it', first: 'b', then: 'c' },
];
const lines = planLines(made, routes, { rules }, valves);

describe('a plan as it is handed out', () => {
  test('runs by day, hand and order; a valve that is gone is left out', () => {
    expect(
      lines.map(({ day, person, order, valve: { tag } }) => [day, person, order, tag]),
    ).toEqual([
      ['2026-11-23', 'Ines', 1, 'B'],
      ['2026-11-23', 'Ines', 2, 'A'],
      ['2026-11-24', 'Edda', 1, 'C'],
    ]);
    expect(lines.map(({ why }) => why)).toEqual([
      ['=one isolation', 'it feeds it'],
      ['=one isolation'],
      ['it feeds it'],
    ]);
    expect(lines[0]).toMatchObject({ minutes: 25, because: 'interval', late: '2026-12-20' });
  });

  test('is a CSV that reads back, its words never a formula', () => {
    const { rows } = unwrap(
      readCsv(writePlanCsv(lines), ['day', 'person', 'order', 'tag', 'rules']),
    );
    expect(rows.map(({ cells }) => [cells['day'], cells['order'], cells['tag']])).toEqual([
      ['2026-11-23', '1', 'B'],
      ['2026-11-23', '2', 'A'],
      ['2026-11-24', '1', 'C'],
    ]);
    expect(rows[1]!.cells['rules']).toBe('=one isolation');
    expect(writePlanCsv(lines)).toContain("'=one isolation");
  });
});

test('whose visit it is: everybody’s, a hand’s, an area’s', () => {
  const his = { person_id: 'p1' };
  const there = { place: 'Terrace, pit' };
  expect(isAbout({ kind: 'everybody' }, his, there)).toBe(true);
  expect(isAbout({ kind: 'person', person_id: 'p1' }, his, there)).toBe(true);
  expect(isAbout({ kind: 'person', person_id: 'p2' }, his, there)).toBe(false);
  expect(isAbout({ kind: 'area', area: 'Terrace' }, his, there)).toBe(true);
  expect(isAbout({ kind: 'area', area: 'pit' }, his, there)).toBe(false);
});
