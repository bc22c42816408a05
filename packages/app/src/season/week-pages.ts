import { bagOf, toolSay, type Block, type PlanLine, type Valve } from '@holvek/core';
import type { PaperPage } from '@holvek/paper';
import { hoursWords, longDay, monthDay } from './season-words';

type Weeks = {
  readonly season: string;
  readonly lines: readonly PlanLine[];
  readonly valves: ReadonlyMap<string, Valve>;
  /** The first day of each week that is printed. */
  readonly weeks: readonly { readonly from: string; readonly to: string }[];
};

/** Weeks to be printed: one to a page, day by day and hand by hand, with what has to be in the bag. */
export const weekPages = ({ season, lines, valves, weeks }: Weeks): readonly PaperPage[] =>
  weeks.flatMap(({ from, to }) => {
    const own = lines.filter(({ day }) => day >= from && day <= to);
    if (own.length === 0) return [];
    const minutes = own.reduce((sum, line) => sum + line.minutes, 0);
    return [
      {
        title: `Week of ${monthDay(from)}`,
        under: `${season} · ${own.length} visits · ${hoursWords(minutes)} at the valves`,
        blocks: daysOf(own).flatMap((day) => dayBlocks(day, valves)),
      },
    ];
  });

/** Lines of one hand on one day, in their order. */
function daysOf(lines: readonly PlanLine[]): readonly (readonly PlanLine[])[] {
  const days = new Map<string, PlanLine[]>();
  for (const line of lines) {
    const key = `${line.day} ${line.person}`;
    const known = days.get(key);
    if (known) known.push(line);
    else days.set(key, [line]);
  }
  return [...days.values()];
}

function dayBlocks(
  lines: readonly PlanLine[],
  valves: ReadonlyMap<string, Valve>,
): readonly Block[] {
  const [{ day, person }] = lines as [PlanLine];
  const bag = bagOf(lines.flatMap(({ valve: { id } }) => valves.get(id) ?? []));
  const rules = [
    ...new Set(lines.flatMap(({ valve: { tag }, why }) => why.map((say) => `${tag}: ${say}`))),
  ];
  return [
    {
      kind: 'table',
      title: `${longDay(day)} · ${person}`,
      head: ['', 'where', 'minutes', 'late from'],
      rows: lines.map(({ order, valve: { tag, name, place }, minutes, late }) => ({
        cells: [`${order}. ${tag} ${name}`, place, String(minutes), late],
      })),
    },
    {
      kind: 'words',
      title: 'Bring',
      lines: [bag.map(({ tool }) => toolSay(tool)).join(' · '), ...rules].map((text) => ({ text })),
    },
  ];
}
