import { act, renderHook } from '@testing-library/react';
import { msUntilHour, useFromHour } from './use-from-hour';

describe('from an hour of the day on', () => {
  test('is waited for until then, and no longer', () => {
    expect(msUntilHour(15, new Date(2026, 11, 1, 14, 58, 30))).toBe(90_000);
    expect(msUntilHour(15, new Date(2026, 11, 1, 15, 0, 0))).toBe(0);
    expect(msUntilHour(15, new Date(2026, 11, 1, 22, 0, 0))).toBe(0);
  });

  test('a page that was opened before learns it when it comes', () => {
    jest.useFakeTimers({ now: new Date(2026, 11, 1, 14, 59) });
    const { result } = renderHook(() => useFromHour(15));
    expect(result.current).toBe(false);
    act(() => void jest.advanceTimersByTime(59_000));
    expect(result.current).toBe(false);
    act(() => void jest.advanceTimersByTime(1000));
    expect(result.current).toBe(true);
    jest.useRealTimers();
  });
});
