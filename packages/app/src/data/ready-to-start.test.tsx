import { defaultHouseRules } from '@holvek/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { useHouseRules, useIsReadyToStart } from './queries';

const own = { ...defaultHouseRules, no_flow_record_s: 8 };

/** A server that answers when the test says so; undefined stands for no network. */
function held() {
  const answers = new Map<string, (body: unknown) => void>();
  global.fetch = jest.fn(
    (path: string) =>
      new Promise((resolve, reject) =>
        answers.set(path, (body) =>
          body === undefined
            ? reject(new TypeError('no network'))
            : resolve({ ok: true, status: 200, text: async () => JSON.stringify(body) }),
        ),
      ),
  ) as never;
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const { result } = renderHook(() => ({ isReady: useIsReadyToStart(), rules: useHouseRules() }), {
    wrapper,
  });
  const answer = (path: string, body: unknown) =>
    act(async () => answers.get(`/api${path}`)!(body));
  return { result, answer };
}

describe('what a run is started from', () => {
  test('is waited for: the owner’s figures, and the sheets before', async () => {
    const { result, answer } = held();
    expect(result.current.isReady).toBe(false);
    await answer('/summaries', []);
    expect(result.current.isReady).toBe(false);
    await answer('/house-rules', own);
    expect(result.current.isReady).toBe(false);
    await answer('/repairs', []);
    expect(result.current.isReady).toBe(false);
    await answer('/fleet', []);
    expect(result.current.isReady).toBe(false);
    await answer('/rounds', []);
    await waitFor(() => expect(result.current.isReady).toBe(true));
    expect(result.current.rules.no_flow_record_s).toBe(8);
  });

  test('is the ordinary where it cannot be had', async () => {
    const { result, answer } = held();
    await answer('/summaries', undefined);
    await answer('/house-rules', undefined);
    await answer('/repairs', undefined);
    await answer('/fleet', undefined);
    await answer('/rounds', undefined);
    await waitFor(() => expect(result.current.isReady).toBe(true));
    expect(result.current.rules).toEqual(defaultHouseRules);
  });
});
