import { dayWords, localDay } from './local-day';

describe('the day of a phone', () => {
  test('is the calendar’s where it stands, not Greenwich’s', () => {
    const late = new Date(2026, 10, 24, 23, 30).getTime();
    const early = new Date(2026, 10, 25, 0, 30).getTime();
    expect([localDay(late), localDay(early)]).toEqual(['2026-11-24', '2026-11-25']);
  });
});

test('a day is read on one line, and is the same day wherever it is read', () => {
  expect(dayWords('2026-12-03')).toBe('3\u00a0Dec\u00a02026');
});
