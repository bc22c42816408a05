import { isFromBefore } from './queries';

describe('a copy that was restored from the device', () => {
  const restored = { dataUpdatedAt: 1, errorUpdateCount: 0, isFetching: true };
  test('is not edited while the server has still to answer', () => {
    expect(isFromBefore(restored)).toBe(true);
  });
  test('is what there is when the server cannot be reached', () => {
    expect(isFromBefore({ ...restored, errorUpdateCount: 1 })).toBe(false);
    expect(isFromBefore({ ...restored, isFetching: false })).toBe(false);
  });
  test('what the server has said stays open while it is asked again', () => {
    expect(isFromBefore({ ...restored, dataUpdatedAt: 1_700_000_000_000 })).toBe(false);
  });
});
