import { hasWords } from './column-filters';

describe('a filter over a column', () => {
  test('keeps what has every word, in any order, capitals or not', () => {
    expect(hasWords('Upper pump hall', 'HALL up')).toBe(true);
    expect(hasWords('Upper pump hall', 'hall lower')).toBe(false);
    expect(hasWords('Upper pump hall', '  ')).toBe(true);
    expect(hasWords('', 'a')).toBe(false);
  });
});
