import {
  alignmentOf,
  edgeSearch,
  middleOf,
  previewLoop,
  simcSettings,
  type Light,
} from '@holvek/core';
import { cleanup, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { TamaguiProvider } from '@/ui/kit';
import { BandChart } from '../switching/band-chart';
import { EdgeChart } from '../edges/edge-chart';
import { PointChart } from './point-chart';
import { SweepChart } from '../sweep/sweep-chart';
import { LoopChart } from '@/bench/loop-chart';
import { config } from '@/theme/tamagui.config';

const show = (chart: ReactNode) =>
  render(
    <TamaguiProvider config={config} defaultTheme="light">
      {chart}
    </TamaguiProvider>,
  ).container;
const said = () =>
  screen
    .getByRole('img')
    .getAttribute('aria-label')!
    .replace(/\u2009/gu, '');
afterEach(cleanup);

describe('the chart of points', () => {
  const point = (at: number, error: number, direction: 'up' | 'down' = 'up') => ({
    at,
    error,
    direction,
  });

  test('says that nothing was taken, then the largest error', () => {
    show(<PointChart tolerance={0.01} points={[]} ends={['4 mA', '20 mA']} />);
    expect(said()).toBe('No point taken yet');
    cleanup();
    show(
      <PointChart
        tolerance={0.01}
        points={[point(0, 0.002), point(1, -0.018)]}
        ends={['4 mA', '20 mA']}
      />,
    );
    expect(said()).toBe('2 points, largest error 1.8 % of span');
  });

  test('names both ends, the tolerance, and what stands behind it', () => {
    const container = show(
      <PointChart
        tolerance={0.01}
        points={[point(0, 0.002), point(1, 0.004)]}
        found={[point(0, 0.015), point(1, 0.012)]}
        ends={['4.00 mA', '20.00 mA']}
      />,
    );
    for (const word of ['4.00 mA', '20.00 mA', '+1.0 %', '−1.0 %', 'as found'])
      expect(container.textContent).toContain(word);
  });

  test('with errors far over the tolerance its own figures make room', () => {
    const container = show(
      <PointChart tolerance={0.01} points={[point(0, 0.3), point(1, 0.2)]} ends={['0', '1']} />,
    );
    expect(container.textContent).not.toContain('+1.0 %');
    expect(container.textContent).toContain('+31.7 %');
  });

  test('a point out of tolerance is drawn as one', () => {
    const container = show(
      <PointChart tolerance={0.01} points={[point(0, 0.002), point(1, 0.03)]} ends={['0', '1']} />,
    );
    const fills = [...container.querySelectorAll('circle')].map((circle) =>
      circle.getAttribute('fill'),
    );
    expect(new Set(fills).size).toBe(2);
  });
});

describe('the chart of a flame’s edges', () => {
  const limits = { lowest: 400, highest: 3000, resolution: 65, failCost: 3 };
  const chart = (lights: readonly Light[]) => {
    const search = edgeSearch(lights, limits);
    const middle = middleOf(search, { low: 1000, high: 1600 });
    return show(
      <EdgeChart
        view={{ search, middle, ...limits }}
        lights={lights}
        maker={{ low: 1000, high: 1600 }}
        now={1300}
      />,
    );
  };

  test('counts what lit and what failed', () => {
    chart([
      { pressure: 1300, lit: true },
      { pressure: 700, lit: false },
    ]);
    expect(said()).toMatch(/^1 lit, 1 failed/);
  });

  test('names the edges as soon as they are known, and the maker’s range', () => {
    const container = chart([
      { pressure: 900, lit: true },
      { pressure: 850, lit: false },
      { pressure: 2000, lit: true },
      { pressure: 2060, lit: false },
    ]);
    expect(said()).toMatch(/low edge 0.875, high edge 2.03/);
    expect(container.textContent).toContain('maker 1 to 1.6');
  });
});

describe('the chart of a switch’s band', () => {
  const aim = { band: { cutIn: 550_000, cutOut: 700_000 }, tolerance: 10_000 };

  test('says every cycle, and stands ready before there is one', () => {
    show(<BandChart cycles={[]} aim={aim} live={600_000} resolution={1000} />);
    expect(said()).toBe('No cycle yet');
    cleanup();
    show(
      <BandChart
        cycles={[
          { cutIn: 548_000, cutOut: 702_000 },
          { cutIn: 551_000, cutOut: 699_000 },
        ]}
        aim={aim}
        live={undefined}
        resolution={1000}
      />,
    );
    expect(said()).toBe('cycle 1: cut-in 548, cut-out 702; cycle 2: cut-in 551, cut-out 699');
  });

  test('shows the last five and no more', () => {
    const cycles = Array.from({ length: 9 }, (_, i) => ({ cutIn: 550_000 + i, cutOut: 700_000 }));
    show(<BandChart cycles={cycles} aim={aim} live={undefined} resolution={1000} />);
    expect(said().split(';')).toHaveLength(5);
  });
});

describe('the chart of a sweep', () => {
  test('says each band by its side and width', () => {
    const bands = [-5, -1, -0.2, 0.2, 1, 5].map((gain) => ({ gain, output: 60_000 + gain * 800 }));
    show(<SweepChart bands={bands} tolerance={1724} middle={60_000} next={undefined} />);
    expect(said()).toMatch(/^reverse 20 %: 56.0; reverse 100 %: 59.2/);
    expect(said()).toMatch(/direct 20 %: 64.0$/);
    const found = alignmentOf(bands, 80_000, 1724);
    expect(found.ok && found.value.verdict).toBe('leans');
  });
});

describe('the preview of a loop', () => {
  const model = { gain: 1.5, timeConstant: 30, deadTime: 6 };
  const proposed = previewLoop(model, simcSettings(model));

  test('says what the proposed settings do, beside the present ones', () => {
    show(<LoopChart step={10} proposed={proposed} />);
    expect(said()).toMatch(/^Answer to a step: proposed settings overshoot \d+ %$/);
    cleanup();
    const wild = previewLoop(model, { gain: 12, integralTime: 5 });
    show(<LoopChart step={10} proposed={proposed} present={wild} />);
    expect(said()).toMatch(/present ones do not settle$/);
  });

  test('draws nothing that is not a number', () => {
    const wild = previewLoop(model, { gain: 40, integralTime: 1 });
    const container = show(<LoopChart step={10} proposed={proposed} present={wild} />);
    for (const path of container.querySelectorAll('path'))
      expect(path.getAttribute('d')).not.toMatch(/NaN|Infinity/);
  });
});
