import {
  daysBetween,
  unbroken,
  type Bar,
  type PlanReason,
  type SeasonRule,
  type Wanted,
  type WantedBecause,
} from '@holvek/core';
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { dayWords } from '@/ui/local-day';

/** "Thu 3 Dec". */
export const shortDay = (day: string): string => unbroken(format(parseISO(day), 'EEE d MMM'));
export const monthDay = (day: string): string => unbroken(format(parseISO(day), 'd MMM'));
/** "Thursday, 3 December". */
export const longDay = (day: string): string => format(parseISO(day), 'EEEE, d MMMM');

/** "07:40": minutes after midnight as a clock shows them; the day after begins at 00:00 again. */
export function clockWords(minutes: number): string {
  const whole = Math.round(minutes) % 1440;
  const two = (value: number) => String(value).padStart(2, '0');
  return `${two(Math.floor(whole / 60))}:${two(whole % 60)}`;
}

/** "7:30", "7.30" or "7" as minutes after midnight; undefined when it is no hour. */
export function hourOf(text: string): number | undefined {
  const [, hours, minutes = '0'] = /^\s*(\d{1,2})(?:[:.](\d{2}))?\s*$/u.exec(text) ?? [];
  if (hours === undefined || Number(hours) > 23 || Number(minutes) > 59) return undefined;
  return Number(hours) * 60 + Number(minutes);
}

/** "3 h 20". */
export function hoursWords(minutes: number): string {
  const whole = Math.round(minutes);
  const hours = Math.floor(whole / 60);
  const rest = whole % 60;
  if (hours === 0) return unbroken(`${rest} min`);
  return unbroken(rest === 0 ? `${hours} h` : `${hours} h ${String(rest).padStart(2, '0')}`);
}

/** "8/22": hours asked of those that are there. */
export const loadWords = ({
  asked,
  there,
}: {
  readonly asked: number;
  readonly there: number;
}): string => `${Math.round(asked / 60)}/${Math.round(there / 60)}`;

const because = {
  interval: 'its interval',
  drift: 'its drift: it would leave its lane',
  never_set: 'never set yet',
  re_test: 'a re-test: the last visit left something unsettled',
  repair: 'repaired and not proved since',
  gauge_failed: 'its gauge failed a check since',
  parts_due: 'parts that are due',
} as const satisfies Record<WantedBecause, string>;

/** Why and when a valve is wanted. */
export function wantedWords({ because: why, likely, late }: Wanted, today: string): string {
  const over = daysBetween(late, today);
  if (over > 0)
    return `Late by ${over} ${over === 1 ? 'day' : 'days'}: ${because[why]}, ${dayWords(likely)}.`;
  if (likely <= today) return `Wanted now: ${because[why]}; late from ${dayWords(late)}.`;
  return `Wanted by ${dayWords(likely)}: ${because[why]}; late from ${dayWords(late)}.`;
}

const barWords = {
  no_hand: 'nobody with the licence',
  day_closed: 'not open to it',
  nobody_there: 'nobody at work',
  day_full: 'full',
  order: 'against the order',
  thing_elsewhere: 'its only gauge is in another bag',
} as const satisfies Record<Bar, string>;

/** Why a valve may not go somewhere, with the owner's own words where a rule of his keeps it away. */
export function barSentence(bar: Bar, rules: readonly SeasonRule[]): string {
  const own = rules.map(({ why }) => why);
  if (bar === 'day_closed' && own.length > 0) return own.join('; ');
  return barWords[bar];
}

/** What keeps it from other days, in a line. */
export const barsWords = ({ bars }: Pick<PlanReason, 'bars'>): string | undefined =>
  bars.length === 0
    ? undefined
    : `Other days: ${bars.map(({ bar, days }) => `${days} ${barWords[bar]}`).join(', ')}.`;

/** A cost or its difference, as what it is worth in minutes of work. */
export const worthWords = (minutes: number): string => {
  const rounded = Math.round(minutes);
  if (rounded === 0) return 'costs nothing more';
  return rounded > 0
    ? `as bad as ${hoursWords(rounded)} of work more`
    : `as good as ${hoursWords(-rounded)} of work less`;
};

/** What it weighs where it stands. */
export function hereWords({ adds, dayWorth }: Pick<PlanReason, 'adds' | 'dayWorth'>): string {
  const day = Math.round(dayWorth);
  const weighs = day > 0 ? `; its day is as bad as ${hoursWords(day)} of work` : '';
  return `Here it adds ${hoursWords(adds)} of ways and hours over${weighs}.`;
}

const ruleKinds = {
  only_between: 'Only',
  not_between: 'Not',
  together: 'Together',
  before: 'First',
} as const satisfies Record<SeasonRule['kind'], string>;

/** A rule in a line, after whom it is about. */
export function ruleWords(rule: SeasonRule, tagOf: (id: string) => string): string {
  if (rule.kind === 'before') return `First ${tagOf(rule.first)}, then ${tagOf(rule.then)}`;
  const tags = rule.valve_ids.map(tagOf).join(', ');
  if (rule.kind === 'together') return `Together: ${tags}`;
  return `${ruleKinds[rule.kind]} ${monthDay(rule.from)} to ${monthDay(rule.to)}: ${tags}`;
}
