import { runView, type Positions, type Run, type RunView } from '@holvek/core';
import { cleanup, render, screen } from '@testing-library/react';
import { DeskProvider, type Desk } from '@/desk/use-desk';
import { burner, gas, relief, runOf } from '@/testing/family-samples';
import { config } from '@/theme/tamagui.config';
import { TamaguiProvider } from '@/ui/kit';
import { LineDiagram, lineOf } from './line-diagram';

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
  const label = () => screen.getByTestId('scheme').getAttribute('aria-label');

  test('tells how each of its fittings stands', () => {
    show(runOf(relief));
    expect(label()).toBe(
      'Line working, Inlet isolator open, Pilot sensing cock open, Chamber outlet cock open',
    );
  });

  test('follows what has been confirmed, and shows the step in hand as it will leave them', () => {
    show(runOf(relief, [{ type: 'step_done', step_id: 'shut_outlet_cock' }]));
    expect(label()).toContain('Chamber outlet cock shut');
    cleanup();
    show(runOf(gas), { inlet_cock: 0, demand: 0.25 });
    expect(label()).toBe('Inlet cock shut, Downstream 25 %');
  });

  test('what a mark does not show is said: part open, or a selector’s place', () => {
    const container = show(runOf(gas), { demand: 0.25 });
    expect(container.textContent).toContain('25 %');
    expect(container.textContent).not.toContain('open');
    expect(show(runOf(relief)).textContent).toContain('working');
  });

  test('what a plate lacks is left away, and the way to it', () => {
    const piped = (over: object) => {
      const plate = {
        family: 'self_operated',
        arrangement: { service: 'reducing', control_line: true, bypass: true, loading: 'pilot' },
      };
      const own = { ...plate, arrangement: { ...plate.arrangement, ...over } };
      return lineOf(own as never);
    };
    const keys = (line: ReturnType<typeof lineOf>) =>
      line.parts.flatMap((part) => part.fitting ?? []);
    const whole = piped({});
    expect(keys(whole)).toEqual(expect.arrayContaining(['by_pass', 'control_line', 'loading']));
    for (const [over, key] of [
      [{ bypass: false }, 'by_pass'],
      [{ control_line: false }, 'control_line'],
      [{ loading: 'spring' }, 'loading'],
    ] as const) {
      const line = piped(over);
      expect(keys(line)).not.toContain(key);
      expect(line.ways.length).toBe(whole.ways.length - 1);
    }
  });

  test('a second pilot is drawn where the plate has one', () => {
    const sustaining = { family: 'sustaining', others: undefined };
    const adjusters = (plate: object) =>
      lineOf(plate as never).parts.flatMap(({ adjuster }) => adjuster ?? []);
    expect(adjusters(sustaining)).toEqual(['main']);
    expect(adjusters({ ...sustaining, others: { reducing: {} } })).toEqual(['main', 'reducing']);
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
