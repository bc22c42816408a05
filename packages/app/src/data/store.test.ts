import { waitFor } from '@testing-library/react';
import { api, Unreachable } from './api';
import { keptChanges, logWatch, outbox, pullOpenRuns, shelf, startSync } from './store';
import { gauge } from '@/testing/samples';
import { practised } from '@/testing/signed-run';

jest.mock('./retry-delay', () => ({ retryDelay: () => 5 }));

const offline = () => Promise.reject(new TypeError('no network'));
beforeEach(() => {
  global.fetch = jest.fn(offline) as never;
});
afterEach(() => void jest.restoreAllMocks());

test('runs that others have left open come in; one that cannot be read here holds up no other', async () => {
  const rows = [{ id: 'of-tomorrow' }, { id: 'run-1' }] as Awaited<ReturnType<typeof api.runs>>;
  jest.spyOn(api, 'runs').mockResolvedValue(rows);
  jest.spyOn(api, 'run').mockImplementation(async (id) => {
    if (id === 'of-tomorrow') throw new Error('unknown kind of entry');
    return { events: practised } as unknown as Awaited<ReturnType<typeof api.run>>;
  });
  await pullOpenRuns();
  expect([...shelf.snapshot().keys()]).toEqual(['run-1']);
});

test('once the network is gone the others are not asked for', async () => {
  const rows = [{ id: 'a' }, { id: 'b' }] as Awaited<ReturnType<typeof api.runs>>;
  jest.spyOn(api, 'runs').mockResolvedValue(rows);
  const asked = jest.spyOn(api, 'run').mockRejectedValue(new Unreachable('no network'));
  await expect(pullOpenRuns()).resolves.toBeUndefined();
  expect(asked).toHaveBeenCalledTimes(1);
});

test('without a network there are none, and that is no trouble', async () => {
  await expect(pullOpenRuns()).resolves.toBeUndefined();
});

test('what was kept is read once, sent, and sent again for as long as any of it waits', async () => {
  const loaded = jest.spyOn(outbox, 'load');
  jest.spyOn(logWatch, 'look').mockResolvedValue();
  startSync();
  startSync();
  expect(loaded).toHaveBeenCalledTimes(1);
  await waitFor(() => expect(outbox.snapshot().isReachable).toBe(true));
  await keptChanges.keep({ list: 'gauges', value: gauge, over: undefined, by: 'Ines', atMs: 1 });
  const put = global.fetch as jest.Mock;
  const tried = put.mock.calls.length;
  await waitFor(() => expect(put.mock.calls.length).toBeGreaterThan(tried + 2));
  expect(keptChanges.snapshot()).toHaveLength(1);
  put.mockImplementation(async () => ({
    ok: true,
    status: 200,
    text: async () => JSON.stringify(gauge),
  }));
  await waitFor(() => expect(keptChanges.snapshot()).toHaveLength(0));
});
