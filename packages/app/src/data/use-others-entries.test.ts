import { renderHook } from '@testing-library/react';
import { api, Refusal, Unreachable } from './api';
import { outbox, pullRun, shelf } from './store';
import { look, useOthersEntries } from './use-others-entries';

jest.mock('./store', () => ({
  outbox: { snapshot: jest.fn(), waitingOf: jest.fn() },
  shelf: { snapshot: jest.fn() },
  pullRun: jest.fn(async () => undefined),
}));
const pulled = pullRun as jest.MockedFunction<typeof pullRun>;

/** A run that has some entries here, of which some wait, and some on the server. */
function has(runId: string, { here = 5, waiting = 0, there = 5 } = {}): void {
  (shelf.snapshot as jest.Mock).mockReturnValue(
    new Map([[runId, { events: Array(here).fill({}) }]]),
  );
  (outbox.waitingOf as jest.Mock).mockResolvedValue(waiting);
  (outbox.snapshot as jest.Mock).mockReturnValue({ isReachable: true });
  jest.spyOn(api, 'runSize').mockResolvedValue({ entries: there });
}
beforeEach(() => {
  jest.restoreAllMocks();
  pulled.mockReset();
});

describe('what others enter in a run', () => {
  test('is fetched where the server has other entries than this phone has sent', async () => {
    has('a', { there: 6 });
    await look('a');
    expect(pulled).toHaveBeenCalledWith('a');
  });

  test.each([
    ['all of it is here', { here: 5, there: 5 }],
    ['what is here and not there waits to be sent', { here: 6, waiting: 1, there: 5 }],
    ['the server has none of it yet', { here: 2, there: 0 }],
  ])('is not asked for where %s', async (_, where) => {
    has('b', where);
    await look('b');
    expect(pulled).not.toHaveBeenCalled();
  });

  test('is fetched once for each number of entries: one that was let go of here never comes', async () => {
    has('c', { here: 5, there: 4 });
    await look('c');
    await look('c');
    expect(pulled).toHaveBeenCalledTimes(1);
    has('c', { here: 5, there: 7 });
    await look('c');
    expect(pulled).toHaveBeenCalledTimes(2);
  });

  test.each([new Unreachable('no network'), new Refusal(404, 'run.not_found')])(
    'cannot be asked for now: %s is no trouble',
    async (error) => {
      has('d');
      jest.spyOn(api, 'runSize').mockRejectedValue(error);
      await expect(look('d')).resolves.toBeUndefined();
    },
  );

  test('a bug of ours is not called no network', async () => {
    has('e');
    jest.spyOn(api, 'runSize').mockRejectedValue(new TypeError('ours'));
    await expect(look('e')).rejects.toThrow('ours');
  });

  test('is looked for while a run is open, and not after', () => {
    jest.useFakeTimers();
    has('f', { there: 9 });
    const { rerender } = renderHook(({ isOpen }) => useOthersEntries('f', isOpen), {
      initialProps: { isOpen: false },
    });
    jest.advanceTimersByTime(10_000);
    expect(api.runSize).not.toHaveBeenCalled();
    rerender({ isOpen: true });
    jest.advanceTimersByTime(1_600);
    expect(api.runSize).toHaveBeenCalledTimes(1);
    rerender({ isOpen: false });
    jest.advanceTimersByTime(10_000);
    expect(api.runSize).toHaveBeenCalledTimes(1);
    jest.useRealTimers();
  });
});
