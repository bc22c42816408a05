import type { Valve } from '@holvek/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, render, screen } from '@testing-library/react';
import { relief } from '@/testing/family-samples';
import { valve } from '@/testing/samples';
import { press, type } from '@/testing/with-house-rules';
import { config } from '@/theme/tamagui.config';
import { TamaguiProvider } from '@/ui/kit';
import { TargetSheet } from './target-sheet';

/** A server that keeps what it is sent; the valves, first to last. */
async function show(shown: Valve): Promise<Valve[]> {
  const sent: Valve[] = [];
  global.fetch = jest.fn(async (_path: string, init?: { readonly body?: string }) => {
    if (init?.body !== undefined) sent.push(JSON.parse(init.body) as Valve);
    const text = init?.body ?? '[]';
    return { ok: true, status: 200, text: async () => text, headers: new Headers() };
  }) as never;
  render(
    <TamaguiProvider config={config} defaultTheme="light">
      <QueryClientProvider client={new QueryClient()}>
        <TargetSheet valve={shown} isOpen onClose={() => undefined} />
      </QueryClientProvider>
    </TamaguiProvider>,
  );
  await act(async () => undefined);
  return sent;
}
const keep = () => press('Keep this target');

test('a target is worked out from what the valve serves, and keeps its sum', async () => {
  const sent = await show({ ...valve, plate: { ...valve.plate, outlet_rating_pa: 16e5 } });
  await press('work it out from what it serves');
  await type('Lost on the way to it', '20 kPa');
  await keep();
  expect(screen.getByRole('alert').textContent).toContain('Still to be read off');
  expect(sent).toEqual([]);
  await type('The neediest point wants', '470 kPa');
  await type('It lies above the valve by', '10');
  await type('The lowest point bears', '900 kPa');
  expect(screen.getByText(/By this sum it holds 588/u)).toBeTruthy();
  await press('take that over');
  await keep();
  // 900 kPa less a tenth of 588 that lockup may add, and a little for what the unit rounds.
  expect(sent.at(-1)?.target).toMatchObject({
    set_point_pa: expect.closeTo(588_000, -1),
    limit_pa: expect.closeTo(840_900, -3),
    sum: { need_pa: expect.closeTo(470_000, 0), rise_m: 10 },
  });
});

test('a limit that its lowest point cannot bear is not kept', async () => {
  const sum = { need_pa: valve.target.set_point_pa, lowest_rating_pa: valve.target.limit_pa };
  const sent = await show({ ...valve, target: { ...valve.target, sum } });
  await keep();
  expect(screen.getByRole('alert').textContent).toContain('lowest');
  expect(sent).toEqual([]);
  await type('The lowest point bears', '');
  await keep();
  expect(sent.at(-1)?.target.sum).toEqual({ need_pa: expect.closeTo(sum.need_pa, 0) });
});

test('what holds its inlet side has no such sum', async () => {
  await show(relief);
  expect(screen.queryByRole('button', { name: 'work it out from what it serves' })).toBeNull();
});
