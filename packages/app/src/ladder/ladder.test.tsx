import {
  defaultHouseRules,
  foundBeside,
  printFigure,
  unbroken,
  settingPlan,
  solveLadder,
  systemFrom,
  unwrap,
  type Rule,
  type System,
} from '@holvek/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import {
  act,
  cleanup,
  fireEvent,
  render,
  renderHook,
  screen,
  within,
} from '@testing-library/react';
import type { ReactElement, ReactNode } from 'react';
import { TamaguiProvider } from '@/ui/kit';
import { ClashCard } from './clash-card';
import { HeatCard } from './heat-card';
import { LadderPicture } from './ladder-picture';
import { OrderCard } from './order-card';
import { RuleSheet } from './rule-sheet';
import { RulesCard } from './rules-card';
import { RungSheet } from './rung-sheet';
import { useSystem } from './use-system';
import { config } from '@/theme/tamagui.config';

const unit = systemFrom('hydraulic', defaultHouseRules, { id: 'u', name: 'Unit', site_id: 's' });
const found: System = {
  ...unit,
  rungs: unit.rungs.map((rung) =>
    rung.id === 'compensator' ? { ...rung, found_pa: 197e5 } : rung,
  ),
};
const ladder = unwrap(solveLadder(found));
const beside = foundBeside(found, ladder);
const plan = settingPlan(found, ladder, { parkedLowPa: 8e5 });
const greedy: Rule = {
  id: 'greedy',
  kind: 'at_least',
  rung: 'load',
  pa: 300e5,
  why: 'A bigger lift',
  from: 'own',
};

const Frame = ({ children }: { readonly children: ReactNode }) => (
  <TamaguiProvider config={config} defaultTheme="light">
    <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>
  </TamaguiProvider>
);
const show = (element: ReactElement) => render(<Frame>{element}</Frame>).container;
const press = async (name: string | RegExp) => {
  const button = screen.getAllByRole('button', { name }).at(-1)!;
  await act(async () => void fireEvent.click(button));
};
const type = async (label: string, text: string) => {
  await act(
    async () => void fireEvent.change(screen.getByLabelText(label), { target: { value: text } }),
  );
};
afterEach(cleanup);

describe('the picture of a ladder', () => {
  const picture = (onDrag = jest.fn()) => {
    const container = show(
      <LadderPicture
        system={found}
        ladder={ladder}
        beside={beside}
        dragged={undefined}
        onDrag={onDrag}
      />,
    );
    return { container, onDrag };
  };

  test('names every rung with its pressure, and what was found in words', () => {
    const { container } = picture();
    for (const { name } of found.rungs) expect(container.textContent).toContain(name);
    expect(container.textContent).toContain(
      `found ${unbroken(printFigure(197e5, 'kPa'))}, too high`,
    );
  });

  test('offers the settable rungs as sliders, the facts not', () => {
    picture();
    expect(
      screen.getAllByRole('slider').map((slider) => slider.getAttribute('aria-label')),
    ).toEqual(['Compensator', 'Cross-port A', 'Cross-port B', 'Main relief']);
  });

  test('moves a rung with the arrow keys', () => {
    const { onDrag } = picture();
    const slider = screen.getByRole('slider', { name: 'Compensator' });
    fireEvent.keyDown(slider, { key: 'ArrowUp' });
    fireEvent.keyDown(slider, { key: 'ArrowDown' });
    fireEvent.keyDown(slider, { key: 'x' });
    expect(onDrag).toHaveBeenCalledTimes(2);
    const [[rung, up], [, down]] = onDrag.mock.calls as [[string, number], [string, number]];
    expect(rung).toBe('compensator');
    expect(up).toBeGreaterThan(185e5);
    expect(down).toBeLessThan(185e5);
  });
});

describe('the cards beside it', () => {
  test('a clash lists its rules, and for each a way out', () => {
    const clash = solveLadder({ ...unit, rules: [...unit.rules, greedy] });
    if (clash.ok || clash.error.code !== 'ladder.clash') throw new Error('no clash');
    const container = show(<ClashCard clash={clash.error} system={unit} />);
    expect(container.textContent).toContain('A bigger lift');
    expect(container.textContent).toContain('Heaviest load, measured');
    expect(container.textContent).toMatch(/or ask for .* less/);
  });

  test('the heat of the excess, and its price when flow, hours and price are given', async () => {
    const changed = jest.fn();
    show(<HeatCard system={found} beside={beside} onChange={changed} />);
    expect(screen.getByTestId('heat').textContent).toContain('1.9 kW');
    await press('flow, hours, price');
    await type('Hours a year', 'many');
    expect(screen.getByRole('alert').textContent).toContain('8 784');
    await type('Hours a year', '4000');
    await type('Flow that carries it', '60 L/min');
    await press('Reckon with these');
    expect(changed.mock.calls[0]![0].economy).toMatchObject({
      flow_m3s: expect.closeTo(1e-3, 9),
      hours_per_year: 4000,
    });
  });

  test('without a flow no heat is reckoned', () => {
    const still = { ...found, economy: { ...found.economy, flow_m3s: 0 } };
    show(<HeatCard system={still} beside={beside} onChange={() => undefined} />);
    expect(screen.getByTestId('heat').textContent).toContain('No flow is given');
  });

  test('the order, with readings, and why', async () => {
    const container = show(<OrderCard plan={plan} system={found} />);
    expect(container.textContent).toContain('Park Compensator fully up');
    await press('why this order?');
    const dialog = screen.getByRole('dialog', { name: 'Why this order?' });
    expect(within(dialog).getByText(/Main relief before Cross-port A/)).toBeTruthy();
  });

  test('rules say which decide and what the others have to spare', async () => {
    const edit = jest.fn();
    const container = show(
      <RulesCard system={found} ladder={ladder} onEdit={edit} onAdd={() => undefined} />,
    );
    expect(container.textContent).toContain('decides');
    expect(container.textContent).toMatch(/to spare/);
    await press(/^Change rule 3 /);
    expect(edit).toHaveBeenCalledWith(found.rules[2]);
  });
});

describe('changing a system', () => {
  test('a rule is made with a figure in any unit and a reason', async () => {
    const changed = jest.fn();
    show(<RuleSheet system={unit} rule="new" onChange={changed} onClose={() => undefined} />);
    await act(async () => void fireEvent.click(screen.getByRole('radio', { name: 'at most' })));
    await type('Pressure', 'lots');
    expect(screen.getByRole('alert').textContent).toContain('no number');
    await type('Pressure', '240 bar');
    await type('Why', 'The old hose');
    await press('Keep this rule');
    const { rules } = changed.mock.calls[0]![0] as System;
    expect(rules.at(-1)).toEqual({
      id: 'the_old_hose',
      kind: 'at_most',
      rung: 'load',
      pa: expect.closeTo(240e5, 0),
      why: 'The old hose',
      from: 'own',
    });
  });

  test('what hangs on a rung is told by its parts, and comes back into its fields', async () => {
    const changed = jest.fn();
    show(<RuleSheet system={unit} rule="new" onChange={changed} onClose={() => undefined} />);
    await act(
      async () => void fireEvent.click(screen.getByRole('radio', { name: 'serves a point' })),
    );
    await type('Why', 'The gun at the top');
    await type('Lost on the way to it', '0.2 bar');
    const keep = () => screen.getByRole('button', { name: 'Keep this rule' });
    expect(keep().getAttribute('aria-disabled')).toBe('true');
    await type('The neediest point wants', '4 bar');
    await type('It lies above the valve by', '12');
    await type('What stands in the line', '2001');
    expect(screen.getByRole('alert').textContent).toContain('0 and 2000');
    await type('What stands in the line', '870');
    await press('Keep this rule');
    const rule = (changed.mock.calls[0]![0] as System).rules.at(-1)!;
    expect(rule).toEqual({
      id: 'the_gun_at_the_top',
      kind: 'serves',
      rung: 'load',
      sum: { need_pa: expect.closeTo(4e5, 0), loss_pa: expect.closeTo(2e4, 0), rise_m: 12 },
      density_kgm3: 870,
      why: 'The gun at the top',
      from: 'own',
    });
    cleanup();
    const withIt = { ...unit, rules: [...unit.rules, rule] };
    show(<RuleSheet system={withIt} rule={rule} onChange={changed} onClose={() => undefined} />);
    await act(async () => undefined);
    const value = (label: string) => (screen.getByLabelText(label) as HTMLInputElement).value;
    expect(value('It lies above the valve by')).toBe('12');
    expect(value('What stands in the line')).toBe('870');
    await press('Keep this rule');
    expect((changed.mock.calls[1]![0] as System).rules.at(-1)).toMatchObject({
      sum: { loss_pa: expect.closeTo(2e4, 0), rise_m: 12 },
    });
  });

  test('between a pressure and itself there is no rule', async () => {
    show(<RuleSheet system={unit} rule="new" onChange={jest.fn()} onClose={() => undefined} />);
    const group = screen.getByRole('radiogroup', { name: 'stands above this one' });
    const own = within(group).getByRole('radio', { name: unit.rungs[0]!.name });
    await act(async () => void fireEvent.click(own));
    const said = screen.getAllByRole('alert').map(({ textContent }) => textContent);
    expect(said).toContain('Two different pressures, please');
    const keep = screen.getByRole('button', { name: 'Keep this rule' });
    expect(keep.getAttribute('aria-disabled')).toBe('true');
  });

  test('a rule can be taken out', async () => {
    const changed = jest.fn();
    show(
      <RuleSheet system={unit} rule={unit.rules[0]} onChange={changed} onClose={() => undefined} />,
    );
    await press('take this rule out');
    expect((changed.mock.calls[0]![0] as System).rules).toHaveLength(unit.rules.length - 1);
  });

  test('a rung of a name that is taken is refused', async () => {
    const changed = jest.fn();
    show(<RungSheet system={unit} rung="new" onChange={changed} onClose={() => undefined} />);
    await type('Name', ' compensator ');
    expect(screen.getByRole('alert').textContent).toContain('Another rung has this name');
    await type('Name', 'Brake');
    await type('Found at', '90 bar');
    await press('Keep this rung');
    expect((changed.mock.calls[0]![0] as System).rungs.at(-1)).toMatchObject({
      id: 'brake',
      name: 'Brake',
      found_pa: expect.closeTo(90e5, 0),
    });
  });

  test('a rung takes its rules with it, and what it fed is fed from above', async () => {
    const changed = jest.fn();
    const pump = unit.rungs.find(({ id }) => id === 'pump')!;
    show(<RungSheet system={unit} rung={pump} onChange={changed} onClose={() => undefined} />);
    await press('take this rung out');
    const next = changed.mock.calls[0]![0] as System;
    expect(next.rungs.some(({ id }) => id === 'pump')).toBe(false);
    expect(next.rungs.every(({ fed_by: feeder }) => feeder !== 'pump')).toBe(true);
    expect(next.rules.some(({ id }) => id === 'pump')).toBe(false);
  });
});

describe('a hand on a rung', () => {
  const open = () => renderHook(() => useSystem(unit, defaultHouseRules)).result;

  test('shows what gives way, and lets go again', () => {
    const view = open();
    act(() => view.current.hold('compensator', 195e5));
    expect(view.current.drag!.gaveWay.map(({ rung }) => rung)).toContain('main_relief');
    expect(view.current.ladder!.targets.find(({ rung }) => rung === 'compensator')!.pa).toBe(195e5);
    act(() => view.current.release());
    expect(view.current.drag).toBeUndefined();
  });

  test('past what the rules allow, the rung is drawn where it last could stand', () => {
    const view = open();
    act(() => view.current.hold('compensator', 190e5));
    act(() => view.current.hold('compensator', 150e5));
    expect(view.current.drag!.clash!.rules.map(({ id }) => id)).toContain('comp');
    expect(view.current.ladder!.targets.find(({ rung }) => rung === 'compensator')!.pa).toBe(190e5);
  });
});
