import { runView, type Positions, type Run, type RunView } from '@holvek/core';
import { cleanup, render, screen } from '@testing-library/react';
import { DeskProvider, type Desk } from '@/desk/use-desk';
import { burner, gas, runOf } from '@/testing/family-samples';
import { config } from '@/theme/tamagui.config';
import { TamaguiProvider } from '@/ui/kit';
import { LineDiagram } from './line-diagram';

afterEach(cleanup);
const show = (run: Run, next: Positions = {}, step?: object) => {
  const view = { ...runView(run), ...(step ? { step } : {}) } as RunView;
  return render(
    <TamaguiProvider config={config} defaultTheme="light">
      <DeskProvider value={{ run, view } as Desk}>
        <LineDiagram next={next} />
      </DeskProvider>
    </TamaguiProvider>,
  ).container;
};
/** Colour of the letters of a name. */
const inkOf = (container: HTMLElement, name: string) =>
  [...container.querySelectorAll('text')]
    .find((each) => each.textContent === name)!
    .getAttribute('fill');

describe('the line of a valve', () => {
  test('is its family’s own where it has one, else its cocks', () => {
    show(runOf(burner));
    expect(screen.queryByTestId('scheme')).toBeTruthy();
    expect(screen.queryByTestId('fittings')).toBeNull();
    cleanup();
    show(runOf(gas));
    expect(screen.queryByTestId('scheme')).toBeNull();
    expect(screen.queryByTestId('fittings')).toBeTruthy();
  });

  test('what the step moves is lit, and says how it stands then', () => {
    const run = runOf(burner);
    const still = show(run);
    const quiet = inkOf(still, 'Pilot gas');
    expect(inkOf(still, 'Orifice')).toBe(quiet);
    cleanup();
    const moved = show(run, { gas: run.positions['gas'] === 0 ? 1 : 0 });
    expect(inkOf(moved, 'Pilot gas')).not.toBe(quiet);
    expect(inkOf(moved, 'Orifice')).toBe(quiet);
    expect(moved.textContent).toMatch(/shut|open/u);
  });

  test('the screw that is set is lit, and so is the gauge that it rules', () => {
    const run = runOf(burner);
    const container = show(run, {}, { kind: 'set', adjuster: 'main' });
    const [screw, gauge, other] = ['Regulator', 'Manometer', 'Orifice'].map((name) =>
      inkOf(container, name),
    );
    expect(new Set([screw, gauge, other]).size).toBe(3);
  });
});
