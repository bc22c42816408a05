import { dueOf, judgingGauge, type HouseRules, type Valve, type ValveVisit } from '@holvek/core';
import type { Label } from '@holvek/paper';
import type { Units } from '@/units/use-units';
import { localDay } from '@/ui/local-day';
import { aimWords } from '@/words/aim-words';

/** What hangs on a valve: what it is, what was last left and when, and when it wants its next look. */
export function labelOf(
  valve: Valve,
  visits: readonly ValveVisit[],
  { rules, units, origin }: { rules: HouseRules; units: Units; origin: string },
): Label {
  const last = visits.at(-1)?.body;
  const left = last?.settings[0]?.as_left_pa;
  const resolution = last && judgingGauge(last)?.resolution_pa;
  const due = dueOf(valve, visits, rules);
  return {
    tag: valve.tag,
    lines: [
      valve.name,
      left === undefined ? aimWords(valve, units) : `as left ${units.withUnit(left, resolution)}`,
      last ? `on ${localDay(last.signed_at_ms)}` : 'not set yet',
      due ? `next by ${localDay(due.likely)}` : '',
    ].filter((line) => line !== ''),
    address: `${origin}/valves/${encodeURIComponent(valve.id)}`,
  };
}
