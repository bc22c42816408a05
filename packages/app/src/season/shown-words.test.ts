import { shareWords, sinceMs } from './shown-words';

describe('what a question is asked of', () => {
  const now = Date.parse('2026-11-27');

  test('a year is a year, a quarter three months, all time everything', () => {
    const day = (ms: number) => new Date(ms).toISOString().slice(0, 10);
    expect(day(sinceMs('year', now))).toBe('2025-11-26');
    expect(day(sinceMs('quarter', now))).toBe('2026-08-27');
    expect(sinceMs('all', now)).toBe(0);
  });

  test('a share is told as how many of how many', () => {
    expect(shareWords(0.25, 12).replace(/\u00a0/gu, ' ')).toBe('3 of 12');
  });
});
