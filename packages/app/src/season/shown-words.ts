import { unbroken } from '@holvek/core';

export const since = [
  { value: 'quarter', say: 'three months' },
  { value: 'year', say: 'a year' },
  { value: 'all', say: 'all time' },
] as const;
export type Since = (typeof since)[number]['value'];

const DAY_MS = 86_400_000;
const days: Readonly<Record<Exclude<Since, 'all'>, number>> = { quarter: 92, year: 366 };

/** The moment, ms, from which on records count. */
export const sinceMs = (span: Since, now: number): number =>
  span === 'all' ? 0 : now - days[span] * DAY_MS;

/** "3 of 12". */
export const shareWords = (share: number, count: number): string =>
  unbroken(`${Math.round(share * count)} of ${count}`);
