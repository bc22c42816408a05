import { MOST_ALIKE, tagsFrom } from './tags';

describe('tags that follow one', () => {
  test('count on from its last number, at its width', () => {
    expect(tagsFrom('PRV-21', 3)).toEqual(['PRV-21', 'PRV-22', 'PRV-23']);
    expect(tagsFrom('P2-098-A', 3)).toEqual(['P2-098-A', 'P2-099-A', 'P2-100-A']);
    expect(tagsFrom('North', 1)).toEqual(['North']);
  });
  test('without a number there is none to count on; too many are not made', () => {
    expect(tagsFrom('North', 2)).toBeUndefined();
    expect(tagsFrom('V1', 500)).toHaveLength(MOST_ALIKE);
  });
});
