import { gaugePa } from '@holvek/core';
import { cleanup, render, screen } from '@testing-library/react';
import { config } from '@/theme/tamagui.config';
import { TamaguiProvider } from '@/ui/kit';
import { CycleChart } from './cycle-chart';

afterEach(cleanup);

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
      {
        cycle: 1,
        cracked: gaugePa(1_184_000),
        fullFlow: gaugePa(1_230_000),
        reseated: gaugePa(1_098_000),
      },
      { cycle: 2, cracked: gaugePa(1_180_000), fullFlow: undefined, reseated: undefined },
    ]);
    const said = screen.getByTestId('cycle-chart').getAttribute('aria-label')!;
    expect(said.replace(/[\u2009\u202f]/gu, '')).toBe(
      'cycle 1: cracked 1184, tight 1098; cycle 2: cracked 1180, tight not yet',
    );
  });
});
