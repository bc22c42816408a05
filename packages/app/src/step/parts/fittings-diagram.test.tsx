import { runView, type Positions, type Run } from '@holvek/core';
import { cleanup, render, screen } from '@testing-library/react';
import { TamaguiProvider } from '@/ui/kit';
import { CycleChart } from '../capture/cycle-chart';
import { FittingsDiagram } from './fittings-diagram';
import { DeskProvider, type Desk } from '@/desk/use-desk';
import { gas, relief, runOf } from '@/testing/family-samples';
import { config } from '@/theme/tamagui.config';

const show = (run: Run, next?: Positions) =>
  render(
    <TamaguiProvider config={config} defaultTheme="light">
      <DeskProvider value={{ run, view: runView(run) } as Desk}>
        <FittingsDiagram {...(next ? { next } : {})} />
      </DeskProvider>
    </TamaguiProvider>,
  ).container;
const label = () => screen.getByTestId('fittings').getAttribute('aria-label');
afterEach(cleanup);

describe('the diagram of cocks and selectors', () => {
  test('tells how each stands', () => {
    show(runOf(relief));
    expect(label()).toBe(
      'Inlet isolator open, Pilot sensing cock open, Chamber outlet cock open, Line working',
    );
  });

  test('follows what has been confirmed', () => {
    show(runOf(relief, [{ type: 'step_done', step_id: 'shut_outlet_cock' }]));
    expect(label()).toContain('Chamber outlet cock shut');
  });

  test('shows the step in hand as it will leave them', () => {
    const container = show(runOf(gas), { inlet_cock: 0, demand: 0.25 });
    expect(label()).toBe('Inlet cock shut, Downstream 25 %');
    expect(container.textContent).toContain('Inlet cock');
  });
});

describe('names on the diagram', () => {
  /** Where a name's middle stands, px. */
  const placeOf = (container: HTMLElement, name: string) => {
    const text = [...container.querySelectorAll('text')].find((each) => each.textContent === name)!;
    return { x: Number(text.getAttribute('x')), y: Number(text.getAttribute('y')) };
  };

  test('that would touch stand in rows of their own', () => {
    const run = runOf(relief);
    const long = run.procedure.fittings.map((each) => ({
      ...each,
      name: `${each.name} by the wall`,
    }));
    const container = show({ ...run, procedure: { ...run.procedure, fittings: long } });
    const rows = long
      .map(({ name }) => ({ name, ...placeOf(container, name) }))
      .sort((a, b) => a.x - b.x);
    for (const one of rows)
      for (const other of rows)
        if (one !== other && one.y === other.y)
          expect(Math.abs(one.x - other.x)).toBeGreaterThan(
            ((one.name.length + other.name.length) / 2) * 5,
          );
  });
});

describe('the chart of cycles', () => {
  const chart = (cycles: Parameters<typeof CycleChart>[0]['cycles']) =>
    render(
      <TamaguiProvider config={config} defaultTheme="light">
        <CycleChart
          cycles={cycles}
          wanted={3}
          lane={{ lower: 1_150_000, upper: 1_210_000 }}
          limit={1_500_000}
          live={1_100_000}
          resolution={2000}
        />
      </TamaguiProvider>,
    ).container;

  test('keeps a place for every cycle that is wanted', () => {
    const container = chart([]);
    for (const word of ['cycle 1', 'cycle 2', 'cycle 3'])
      expect(container.textContent).toContain(word);
    expect(screen.getByTestId('cycle-chart').getAttribute('aria-label')).toBe(
      'No cycle marked yet',
    );
  });

  test('names what each cycle has shown so far', () => {
    chart([
      { cycle: 1, cracked: 1_184_000, fullFlow: 1_230_000, reseated: 1_098_000 },
      { cycle: 2, cracked: 1_180_000, fullFlow: undefined, reseated: undefined },
    ]);
    const said = screen.getByTestId('cycle-chart').getAttribute('aria-label')!;
    expect(said.replace(/[\u2009\u202f]/gu, '')).toBe(
      'cycle 1: cracked 1184, tight 1098; cycle 2: cracked 1180, tight not yet',
    );
  });
});
