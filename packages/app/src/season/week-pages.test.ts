import type { PlanLine, Valve } from '@holvek/core';
import { weekPages } from './week-pages';
import { valve } from '@/testing/samples';

const line = (day: string, order: number, over: Partial<PlanLine> = {}): PlanLine => ({
  day,
  person: 'Edda',
  order,
  valve,
  minutes: 25,
  because: 'interval',
  earliest: day,
  likely: day,
  late: '2026-12-31',
  why: [],
  ...over,
});
const valves: ReadonlyMap<string, Valve> = new Map([[valve.id, valve]]);
const weeks = [
  { from: '2026-11-23', to: '2026-11-29' },
  { from: '2026-11-30', to: '2026-12-06' },
  { from: '2026-12-07', to: '2026-12-13' },
];

describe('weeks on paper', () => {
  const lines = [
    line('2026-11-29', 1),
    line('2026-11-30', 1, { why: ['guns off until three'] }),
    line('2026-11-30', 2),
    line('2026-12-06', 1, { person: 'Ines' }),
  ];
  const pages = weekPages({ season: 'Winter', lines, valves, weeks });

  test('are one to a page, from Monday to Sunday; one with nothing in it is no page', () => {
    expect(pages.map(({ title }) => title.replace(/\u00a0/gu, ' '))).toEqual([
      'Week of 23 Nov',
      'Week of 30 Nov',
    ]);
    expect(pages[1]!.under).toMatch(/^Winter · 3 visits · 1.h.15 at the valves$/u);
  });

  test('tell each hand’s day in its order, what to bring, and what binds it', () => {
    const [table, bring, other] = pages[1]!.blocks;
    expect(table).toMatchObject({ kind: 'table', title: 'Monday, 30 November · Edda' });
    if (table?.kind !== 'table' || bring?.kind !== 'words') throw new Error('blocks');
    expect(table.rows.map(({ cells }) => cells[0])).toEqual([
      `1. ${valve.tag} ${valve.name}`,
      `2. ${valve.tag} ${valve.name}`,
    ]);
    expect(bring.lines[0]!.text).toContain(' · ');
    expect(bring.lines[1]!.text).toBe(`${valve.tag}: guns off until three`);
    expect(other).toMatchObject({ title: 'Sunday, 6 December · Ines' });
  });
});
