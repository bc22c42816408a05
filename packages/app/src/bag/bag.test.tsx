import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { BagCard } from './bag-card';
import { keysOf, togglePacked } from './packed';
import { TellCard } from './tell-card';
import { gas } from '@/testing/family-samples';
import { valve } from '@/testing/samples';
import { config } from '@/theme/tamagui.config';
import { TamaguiProvider } from '@/ui/kit';

const show = (valves: Parameters<typeof BagCard>[0]['valves']) =>
  render(
    <TamaguiProvider config={config} defaultTheme="light">
      <BagCard valves={valves} />
    </TamaguiProvider>,
  );
const press = (name: RegExp, role = 'button') =>
  act(async () => void fireEvent.click(screen.getByRole(role, { name })));
beforeEach(() => localStorage.clear());
afterEach(cleanup);

describe('the bag of a day', () => {
  test('is opened, ticked, and counts', async () => {
    show([valve, gas]);
    await press(/^Bring 0 of/u);
    await press(/^Seal wire/u, 'checkbox');
    expect(screen.getByRole('checkbox', { name: /^Seal wire/u, checked: true })).toBeTruthy();
    expect(screen.getByRole('button', { name: /^Bring 1 of/u })).toBeTruthy();
    await press(/^Seal wire/u, 'checkbox');
    expect(screen.getByRole('button', { name: /^Bring 0 of/u })).toBeTruthy();
  });

  test('says which valve wants a thing, unless all do', async () => {
    show([valve, gas]);
    await press(/^Bring/u);
    expect(screen.getByRole('checkbox', { name: /^Gas detector/u }).textContent).toContain(gas.tag);
    expect(screen.getByRole('checkbox', { name: /^Seal wire/u }).textContent).not.toContain('for ');
  });

  test('says when all is packed, and is not there without valves', async () => {
    const { rerender } = show([valve]);
    await press(/^Bring/u);
    for (const box of screen.getAllByRole('checkbox'))
      await act(async () => void fireEvent.click(box));
    expect(screen.getByText('all packed')).toBeTruthy();
    rerender(
      <TamaguiProvider config={config} defaultTheme="light">
        <BagCard valves={[]} />
      </TamaguiProvider>,
    );
    expect(screen.queryByRole('button', { name: /^Bring/u })).toBeNull();
  });
});

describe('what was packed', () => {
  test('is of one day: what is packed for tomorrow is not packed today, and waits for it', () => {
    togglePacked('lamp ', '2999-01-02');
    togglePacked('seal ', '2999-01-01');
    const text = localStorage.getItem('holvek.packed');
    expect([...keysOf(text, '2999-01-02')]).toEqual(['lamp ']);
    expect([...keysOf(text, '2999-01-01')]).toEqual(['seal ']);
    expect([...keysOf(text)]).toEqual([]);
  });

  test('is forgotten once its day is over', () => {
    localStorage.setItem('holvek.packed', '{"2020-01-01":["lamp "]}');
    togglePacked('seal ');
    const text = localStorage.getItem('holvek.packed');
    expect([...keysOf(text, '2020-01-01')]).toEqual([]);
    expect([...keysOf(text)]).toEqual(['seal ']);
  });

  test.each([null, '', '{', '[]', '{"day":"2026-01-01"}', '7'])('%j is an empty bag', (text) => {
    expect([...keysOf(text, '2026-01-02')]).toEqual([]);
  });

  test('a list of today that is no list is an empty bag too', () => {
    expect([...keysOf('{"2026-01-02":5}', '2026-01-02')]).toEqual([]);
  });
});

describe('who has to know', () => {
  const tell = (valves: Parameters<typeof TellCard>[0]['valves'], day = '2999-01-01') =>
    render(
      <TamaguiProvider config={config} defaultTheme="light">
        <TellCard valves={valves} day={day} />
      </TamaguiProvider>,
    );

  test('is ticked as each is told, for that day', async () => {
    tell([gas]);
    await press(/^Tell 0 of 2 know/u);
    await press(/^Whoever has appliances/u, 'checkbox');
    await press(/^Who gives the permit/u, 'checkbox');
    expect(screen.getByText('all know')).toBeTruthy();
    cleanup();
    tell([gas], '2999-01-02');
    expect(screen.getByText('0 of 2 know')).toBeTruthy();
  });
});
