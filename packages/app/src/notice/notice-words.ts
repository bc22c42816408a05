import { unbroken, type Notice } from '@holvek/core';
import { format } from 'date-fns/format';
import { isSameDay } from 'date-fns/isSameDay';
import { set } from 'date-fns/set';

const when = (ms: number, now: number): string =>
  unbroken(format(ms, isSameDay(ms, now) ? 'HH:mm' : 'd MMM, HH:mm'));

/** Who left it and when, and until when it holds. */
export function noticeWords({ by, at_ms: at, until_ms: until }: Notice, now = Date.now()): string {
  const holds = until === undefined ? '' : `, until ${when(until, now)}`;
  return `${by}, ${when(at, now)}${holds}`;
}

/**
 * The moment that an hour means, today or, where it is over, tomorrow.
 *
 * @param text  "15", "15:30"; nothing for no hour
 * @returns ms; undefined for no hour, 'unclear' for what is none
 */
export function untilOf(text: string, now: number): number | undefined | 'unclear' {
  const typed = text.trim();
  if (typed === '') return undefined;
  const [, hours, minutes = '0'] = /^(\d{1,2})(?:[:.](\d{2}))?$/u.exec(typed) ?? [];
  if (hours === undefined || Number(hours) > 23 || Number(minutes) > 59) return 'unclear';
  const at = set(now, {
    hours: Number(hours),
    minutes: Number(minutes),
    seconds: 0,
    milliseconds: 0,
  });
  if (at.getTime() <= now) at.setDate(at.getDate() + 1);
  return at.getTime();
}
