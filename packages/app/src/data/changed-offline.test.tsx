import { QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { Refusal } from './api';
import { KEEP_MS, queryClient, useChangeGauge } from './queries';
import { keptChanges } from './store';
import { gauge } from '@/testing/samples';

const first = gauge;
const second = { ...gauge, id: 'g-2', tag: 'G-92' };
const wrapper = ({ children }: { readonly children: ReactNode }) => (
  <QueryClientProvider client={queryClient}>{children}</QueryClientProvider>
);
const answering = (status: number, body: unknown) => {
  global.fetch = jest.fn(async () => ({
    ok: status < 400,
    status,
    text: async () => JSON.stringify(body),
  })) as never;
};
const offline = () => {
  global.fetch = jest.fn(() => Promise.reject(new TypeError('no network'))) as never;
};

/** Changes a gauge as a screen does; what comes of it, or what it failed with. */
async function changed(gauge: typeof first) {
  const { result } = renderHook(() => useChangeGauge(), { wrapper });
  let outcome: unknown;
  await act(async () => {
    outcome = await result.current.mutateAsync(gauge).catch((error: unknown) => error);
  });
  return outcome;
}
const shown = () => queryClient.getQueryData<readonly (typeof first)[]>(['gauges']);
beforeEach(() => void queryClient.setQueryData(['gauges'], [first, second]));
afterEach(async () => {
  for (const { key } of keptChanges.snapshot()) await keptChanges.letGo(key);
});

test('the register is readable for sixty days without a network', () => {
  expect(KEEP_MS / 86_400_000).toBe(60);
});

describe('a change of the register', () => {
  test('that the server has taken stands in its place, and leaves the others', async () => {
    const next = { ...second, certificate: { number: 'C-77' } };
    answering(200, next);
    expect(await changed(next)).toEqual(next);
    expect(shown()).toEqual([first, next]);
    expect(keptChanges.waitingFor('gauges', next.id)).toBeUndefined();
  });

  test('without a network is kept on the phone, over what was seen', async () => {
    offline();
    const next = { ...second, certificate: { number: 'C-78' } };
    expect(await changed(next)).toEqual(next);
    expect(keptChanges.waitingFor('gauges', next.id)).toMatchObject({ value: next, over: second });
  });

  test('made anew while it waits goes behind what waits, though the network is back', async () => {
    offline();
    await changed({ ...second, certificate: { number: 'C-79' } });
    const next = { ...second, certificate: { number: 'C-80' } };
    await changed(next);
    expect(keptChanges.waitingFor('gauges', next.id)).toMatchObject({ value: next, over: second });
    expect(keptChanges.waitingFor('gauges', first.id)).toBeUndefined();
  });

  test('that the server refuses is refused at once, and waits for nothing', async () => {
    answering(422, { error: { code: 'gauge.cannot_be', message: 'no' } });
    const next = { ...second, certificate: { number: 'C-81' } };
    expect(await changed(next)).toBeInstanceOf(Refusal);
    expect(keptChanges.waitingFor('gauges', next.id)).toBeUndefined();
    expect(shown()).toEqual([first, second]);
  });
});
