import { act, renderHook } from '@testing-library/react';
import { useLog } from './use-log';

const mockClose = jest.fn();
jest.mock('./client', () => ({ openLogWorker: () => ({ log: {}, close: mockClose }) }));
jest.mock('@/units/use-barometer', () => ({ useBarometer: () => 101_325 }));
jest.mock('comlink', () => ({ proxy: (told: unknown) => told }));

const file = { name: 'ramp.csv' } as File;
beforeEach(() => mockClose.mockClear());

describe('a log that was chosen', () => {
  test('is read with the finest step of its gauge and the air of its place, and stands with its file', async () => {
    const read = jest.fn(async () => ({ ok: true }));
    const { result } = renderHook(() => useLog(2000, read));
    await act(() => result.current.take(file, 'bar'));
    expect(result.current.state).toEqual({ at: 'read', file, report: { ok: true } });
    const how = { unit: 'bar', barometer: 101_325, resolution: 2000 };
    expect(read).toHaveBeenCalledWith({}, file, how, expect.any(Function));
    expect(mockClose).toHaveBeenCalledTimes(1);
  });

  test('that cannot be read is said, and its worker is let go of', async () => {
    const read = jest.fn(() => Promise.reject(new DOMException('gone', 'NotReadableError')));
    const { result } = renderHook(() => useLog(2000, read));
    await act(() => result.current.take(file));
    expect(result.current.state).toEqual({ at: 'unreadable', name: 'ramp.csv' });
    expect(mockClose).toHaveBeenCalledTimes(1);
  });

  test('that is stopped on its way says nothing afterwards', async () => {
    let end = (_: object) => {};
    const read = () => new Promise<object>((resolve) => (end = resolve));
    const { result } = renderHook(() => useLog(2000, read));
    act(() => void result.current.take(file));
    expect(result.current.state).toEqual({ at: 'reading', share: 0 });
    act(() => result.current.stop());
    await act(async () => end({ ok: true }));
    expect(result.current.state).toEqual({ at: 'waiting' });
  });
});
