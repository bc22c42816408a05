import { dehydrate, QueryClient } from '@tanstack/react-query';
import { isFromBefore, keepsWhatItHas, persister } from './queries';

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

describe('what the phone keeps without a network', () => {
  const visits = 4;
  test('is still there after as many visits as one likes', async () => {
    let kept = await fetchOnce(async () => ['PRV-07']);
    for (let visit = 0; visit < visits; visit++) {
      await persister.persistClient({ timestamp: 1, buster: '1', clientState: kept });
      const restored = await persister.restoreClient();
      const state = restored!.clientState.queries[0]!.state;
      expect(state).toMatchObject({ data: ['PRV-07'], status: 'success', errorUpdateCount: 0 });
      kept = await fetchOnce(() => Promise.reject(new Error('no network')), state.data);
    }
    await persister.removeClient();
    expect(await persister.restoreClient()).toBeUndefined();
  });
});

/** A visit that fetches the register, or fails to, and what it leaves to be kept. */
async function fetchOnce(queryFn: () => Promise<unknown>, before?: unknown) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  if (before !== undefined) client.setQueryData(['valves'], before);
  await client.fetchQuery({ queryKey: ['valves'], queryFn, staleTime: 0 }).catch(() => undefined);
  return dehydrate(client, keepsWhatItHas);
}
