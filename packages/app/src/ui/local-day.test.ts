import { localDay } from './local-day';

describe('the day of a phone', () => {
  test('is the calendar’s where it stands, not Greenwich’s', () => {
    const late = new Date(2026, 10, 24, 23, 30).getTime();
    const early = new Date(2026, 10, 25, 0, 30).getTime();
    expect([localDay(late), localDay(early)]).toEqual(['2026-11-24', '2026-11-25']);
  });
});
