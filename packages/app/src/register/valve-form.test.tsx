import type { Valve } from '@holvek/core';
import { QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { TamaguiProvider } from '@/ui/kit';
import { KeepValve } from './keep-valve';
import { RetireCard } from './retire-card';
import { useDraftOf, useValveForm } from './use-valve-form';
import { ValveFields } from './valve-fields';
import { queryClient } from '@/data/queries';
import { valve } from '@/testing/samples';
import { config } from '@/theme/tamagui.config';

function Edit({ onKept }: { readonly onKept: (valve: Valve) => void }) {
  const start = useDraftOf(valve);
  const form = useValveForm({ id: valve.id, start, before: valve });
  return (
    <>
      <ValveFields form={form} />
      <KeepValve form={form} error={null} isBusy={false} onKeep={() => onKept(form.now.valve!)}>
        Keep the change
      </KeepValve>
    </>
  );
}

/** A part of the register over a server that knows these valves and keeps what it is sent. */
async function shown(part: React.ReactNode, valves: readonly Valve[] = [valve]) {
  const sent: Valve[] = [];
  global.fetch = jest.fn(async (path: string, init?: { readonly body?: string }) => {
    if (init?.body !== undefined) sent.push(JSON.parse(init.body) as Valve);
    const answer = init?.body ?? JSON.stringify(path === '/api/valves' ? valves : []);
    return { ok: true, status: 200, text: async () => answer, headers: new Headers() };
  }) as never;
  render(
    <TamaguiProvider config={config} defaultTheme="light">
      <QueryClientProvider client={queryClient}>{part}</QueryClientProvider>
    </TamaguiProvider>,
  );
  await act(async () => undefined);
  return sent;
}
afterEach(() => queryClient.clear());
const type = (label: string, value: string) =>
  act(
    async () => void fireEvent.change(screen.getAllByLabelText(label)[0]!, { target: { value } }),
  );
const press = (name: string) =>
  act(async () => void fireEvent.click(screen.getByRole('button', { name })));

describe('a valve that is put right', () => {
  test('keeps what was changed, in SI, and nothing else', async () => {
    const kept = jest.fn();
    await shown(<Edit onKept={kept} />);
    await type('Outlet rated to', '12 bar');
    await press('Keep the change');
    await waitFor(() => expect(kept).toHaveBeenCalledTimes(1));
    expect(kept).toHaveBeenCalledWith({
      ...valve,
      plate: { ...valve.plate, outlet_rating_pa: 1_200_000 },
    });
  });

  test('a field that cannot be read says so, and nothing is kept', async () => {
    const kept = jest.fn();
    await shown(<Edit onKept={kept} />);
    await type('Outlet rated to', 'strong');
    expect(screen.getByText(/There is no number in it/u)).toBeTruthy();
    expect(screen.getByRole('status').textContent).toBe('Still wanted: Outlet rated to.');
    await press('Keep the change');
    expect(kept).not.toHaveBeenCalled();
  });

  test('a plate that contradicts itself says how, and cannot be kept', async () => {
    const kept = jest.fn();
    await shown(<Edit onKept={kept} />);
    await type('Outlet rated to', '1 kPa');
    expect(
      screen.getByRole('button', { name: 'Keep the change' }).getAttribute('aria-disabled'),
    ).toBe('true');
    expect(screen.getAllByRole('alert').length).toBeGreaterThan(0);
  });

  test('a set point is worked out from what is wanted, lost and lifted, and taken over', async () => {
    const kept = jest.fn();
    await shown(<Edit onKept={kept} />);
    await type('The neediest point wants, if known', '3 bar');
    await type('Lost on the way to it, if known', '25 kPa');
    await type('It lies above the valve by, if known', '12');
    await type('The lowest point bears, if known', '10 bar');
    await type('It lies below the valve by, if known', '30');
    // 300 + 25 + 117.5; 1000 − 293.7 − 50.
    expect(screen.getByText(/^By this sum it holds 442\skPa, never past 656\skPa\.$/)).toBeTruthy();
    await press('take that over');
    await press('Keep the change');
    await waitFor(() => expect(kept).toHaveBeenCalledTimes(1));
    const { target } = kept.mock.calls[0]![0] as Valve;
    expect(target).toMatchObject({
      set_point_pa: 442_000,
      limit_pa: 656_000,
      sum: { need_pa: 300_000, rise_m: 12, drop_m: 30 },
    });
  });

  test('another spring of its chart is asked for, and can be left out again', async () => {
    await shown(<Edit onKept={jest.fn()} />);
    const colours = () => screen.queryAllByLabelText('Another spring, its colour').length;
    const before = colours();
    await press('another spring of its chart');
    expect(colours()).toBe(before + 1);
    expect(screen.getByRole('status').textContent).toMatch(/Another spring, its colour/u);
    await press('leave the last spring out');
    expect(colours()).toBe(before);
  });

  test('a tag that another valve has is refused where it is typed', async () => {
    await shown(<Edit onKept={jest.fn()} />, [valve, { ...valve, id: 'other', tag: 'PRV-77' }]);
    await waitFor(() => expect(queryClient.getQueryData(['valves'])).toHaveLength(2));
    await type('Tag', 'PRV-77');
    expect(screen.getByText('PRV-77 is in the register already.')).toBeTruthy();
  });
});

describe('a valve that goes out of use', () => {
  test('wants a reason, and is sent with it', async () => {
    const sent = await shown(<RetireCard valve={valve} />);
    await press('retire this valve');
    await press('Retire it');
    expect(sent).toEqual([]);
    await type('Why', 'The line was taken out.');
    await press('Retire it');
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.retired).toMatchObject({ why: 'The line was taken out.' });
  });

  test('comes back without one', async () => {
    const sent = await shown(
      <RetireCard valve={{ ...valve, retired: { why: 'No line', on: '2026-11-24' } }} />,
    );
    expect(screen.getByText('Retired on 2026-11-24: No line')).toBeTruthy();
    await press('Bring it back into use');
    await waitFor(() => expect(sent).toEqual([valve]));
  });
});
