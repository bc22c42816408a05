import { err, ok, type Result } from '../result';

/** Minutes of work, Monday to Sunday. */
export type Week = readonly number[];
export type WeekError = { readonly code: 'season.no_week'; readonly text: string };

const NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const WORKDAYS = 5;
const MINUTES = 60;
/** Hours that anybody works on one day. */
const MOST_HOURS = 16;

/** A day by the first two letters of its name or more; -1 where it is none. */
const dayOf = (text: string): number =>
  text.length < 2
    ? -1
    : ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'].findIndex(
        (name) => name.startsWith(text.toLowerCase()),
      );

const PART =
  /^(?:(\p{L}+)\.?(?:\s*(?:to|–|-)\s*(\p{L}+)\.?)?\s+)?(\d{1,2}(?:[.,]\d{1,2})?)(?:\s*h)?$/u;

/**
 * Hours of a week as they are typed: one figure for every working day, or day by day.
 * What no part speaks of is free.
 *
 * @returns minutes, Monday to Sunday
 * @errors season.no_week, with the part that is none
 * @example readWeek('Tue 3, Wed–Fri 4') // → ok([0, 180, 240, 240, 240, 0, 0])
 */
export function readWeek(text: string): Result<Week, WeekError> {
  const week = NAMES.map(() => 0);
  // A comma between digits is a decimal mark, one before a space or a letter goes on to the next day.
  for (const part of text.split(/;|,(?!\d)/u)) {
    const trimmed = part.trim();
    const [, from, to = from, figure = ''] = PART.exec(trimmed) ?? [];
    const hours = figure === '' ? NaN : Number(figure.replace(',', '.'));
    const first = from === undefined ? 0 : dayOf(from);
    const last = to === undefined ? WORKDAYS - 1 : dayOf(to);
    const isPart = hours <= MOST_HOURS && first >= 0 && first <= last;
    if (!isPart) return err({ code: 'season.no_week', text: trimmed });
    week.fill(Math.round(hours * MINUTES), first, last + 1);
  }
  return ok(week);
}

/** The same as it is typed: one figure where every working day is like the others and the rest is free. */
export function printWeek(week: Week): string {
  const hours = week.map((minutes) => String(Number((minutes / MINUTES).toFixed(2))));
  const isEven = hours.every((each, i) => each === (i < WORKDAYS ? hours[0] : '0'));
  if (isEven) return hours[0] ?? '0';
  const parts: string[] = [];
  for (let day = 0; day < hours.length;) {
    let end = day;
    while (hours[end + 1] === hours[day]) end += 1;
    const name = end === day ? NAMES[day] : `${NAMES[day]}–${NAMES[end]}`;
    if (hours[day] !== '0') parts.push(`${name} ${hours[day]}`);
    day = end + 1;
  }
  return parts.join(', ');
}
