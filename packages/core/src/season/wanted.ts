import type { Repair, Valve } from '../exchange';
import { partsDueOn, repairsOf, unprovedRepair } from '../exchange';
import { dutyOf } from '../family';
import type { Gauge } from '../gauge';
import { dueOf } from '../register';
import { doubtsOf, needsAnswer, type ValveVisit } from '../sheet';
import type { Duty, HouseRules } from '../valve';
import { dayAfter } from './season';

/** Why a valve is wanted. */
export type WantedBecause =
  'interval' | 'drift' | 'never_set' | 're_test' | 'repair' | 'gauge_failed' | 'parts_due';

/** When a valve wants its visit: days, with their doubt. */
export type Wanted = {
  readonly because: WantedBecause;
  readonly duty: Duty;
  readonly earliest: string;
  readonly likely: string;
  /** From this day on it is called late; where people are protected there is no grace. */
  readonly late: string;
};

export type WantedFrom = {
  readonly visits: readonly ValveVisit[];
  readonly repairs: readonly Repair[];
  readonly gauges: readonly Gauge[];
  readonly rules: HouseRules;
  readonly today: string;
  /** The day of a moment (ms) by the calendar of the place. */
  readonly dayOf: (ms: number) => string;
};

/** Days within which something that was left unsettled is gone back to. */
const SOON = 7;
const NEVER_SET_WITHIN = 28;
/** Days before parts are due from which on it makes sense to change them. */
const PARTS_EARLY = 28;

/** When a valve wants its next visit, and why: what was left unsettled comes before any interval. */
export function wantedOf(valve: Valve, from: WantedFrom): Wanted {
  const { visits, gauges, rules, today, dayOf } = from;
  const duty = dutyOf(valve);
  const soon = (because: WantedBecause, days = SOON): Wanted => ({
    because,
    duty,
    earliest: today,
    likely: today,
    late: dayAfter(today, days),
  });
  const repairs = repairsOf(from.repairs, valve.id);
  const last = visits.at(-1);
  if (unprovedRepair(repairs, visits)) return soon('repair');
  if (last && needsAnswer(last.body)) return soon('re_test');
  if (last && doubtsOf(last.body, gauges, dayOf).length > 0) return soon('gauge_failed');
  const due = dueOf(valve, visits, rules);
  if (!due) return soon('never_set', NEVER_SET_WITHIN);
  const ordinary: Wanted = {
    because: due.because,
    duty,
    earliest: dayOf(due.earliest),
    likely: dayOf(due.likely),
    late: dayOf(due.lateFrom),
  };
  const parts = partsDueOn(repairs);
  return parts !== undefined && parts < ordinary.likely
    ? {
        because: 'parts_due',
        duty,
        earliest: dayAfter(parts, -PARTS_EARLY),
        likely: parts,
        late: parts,
      }
    : ordinary;
}
