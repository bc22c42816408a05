import { render, screen } from '@testing-library/react';
import type { ComponentProps } from 'react';
import { TraceChart } from './trace-chart';
import { config } from '@/theme/tamagui.config';
import { TamaguiProvider } from '@/ui/kit';

/** Two hours, a sample every ten seconds. */
const samples = Array.from({ length: 721 }, (_, i) => ({ t: i * 10, value: 400_000 + i }));

/** Where the line begins and ends, px of a chart that is 160 wide. */
function shown(props: Partial<ComponentProps<typeof TraceChart>>) {
  const { container, unmount } = render(
    <TamaguiProvider config={config} defaultTheme="light">
      <TraceChart samples={samples} label="Trace" {...props} />
    </TamaguiProvider>,
  );
  const path = [...container.querySelectorAll('path')].at(-1)!.getAttribute('d')!;
  const places = [...path.matchAll(/[ML]([\d.-]+),/gu)].map(([, x]) => Number(x));
  const window = screen.queryByTestId('trace-window');
  const part = window && [Number(window.getAttribute('x')), Number(window.getAttribute('width'))];
  unmount();
  return { from: places[0]!, to: places.at(-1)!, part };
}

test('the last minutes of a trace fill its width, and so does all of it', () => {
  const last = shown({});
  const all = shown({ seconds: 'all' });
  for (const { from, to } of [last, all]) {
    expect(from).toBeLessThan(12);
    expect(to).toBeGreaterThan(148);
  }
});

test('the part that counts is laid under it, as far as there is a trace', () => {
  const { part } = shown({ seconds: 'all', window: { from: 3600, to: 3780 } });
  expect(part![0]).toBeCloseTo(80, 1);
  expect(part![1]).toBeCloseTo(3.8, 1);
  expect(shown({ seconds: 'all', window: { from: 7190, to: 9000 } }).part![1]).toBe(2);
});
