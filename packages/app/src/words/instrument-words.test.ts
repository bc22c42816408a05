import { fitStep, printFigure, printQuantity, readStepCsv } from '@holvek/core';
import { signalFigure, signalWithUnit, signalWords } from './signal-words';
import { stepTrouble } from './step-trouble';
import type { Units } from '@/units/use-units';
import { aimWords, spanWords, splitWords } from './aim-words';
import { valve } from '@/testing/samples';

const units: Units = {
  pressure: 'kPa',
  flow: 'L/s',
  figure: (pa, resolution) => printFigure(pa, 'kPa', resolution),
  withUnit: (pa, resolution) => printQuantity(pa, 'kPa', resolution),
  flowWithUnit: (m3s) => printQuantity(m3s, 'L/s'),
};
const current = { kind: 'current', low: 0.004, high: 0.02 } as const;

describe('signals in words', () => {
  test.each([
    ['current', 0.012, '12.00 mA'],
    ['voltage', 2.5, '2.50 V'],
    ['fraction', 0.505, '50.5 %'],
    ['fraction', -0.003, '−0.3 %'],
    ['fraction', -0.0001, '0.0 %'],
    ['pressure', 60_000, '60 kPa'],
  ] as const)('%s of %d is %s', (kind, si, words) =>
    expect(signalWithUnit(kind, si, units)).toBe(words),
  );

  test('a range says both ends once', () => {
    expect(signalWords(current, units)).toBe('4 to 20 mA');
    expect(signalWords({ kind: 'pressure', low: 20_000, high: 100_000 }, units)).toBe(
      '20 to 100 kPa',
    );
    expect(signalFigure('current', 0.02, units)).toBe('20.00');
  });

  test('a split names the other half', () => {
    expect(splitWords({ ...current, high: 0.012 }, { ...current, low: 0.012 }, units)).toBe(
      '4 to 12 mA, the other valve 12 to 20 mA',
    );
  });
});

describe('what a valve is asked for', () => {
  test('is a pressure with its tolerance, or a signal with its share', () => {
    expect(aimWords(valve, units)).toMatch(/^reduce to \d+\u00A0±\u00A0\d+ kPa$/);
    const plate = {
      ...valve.plate,
      family: 'positioner',
      input: current,
      tolerance_span: 0.01,
    } as never;
    expect(aimWords({ ...valve, plate }, units)).toBe('stroke on 4 to 20 mA\u00A0±\u00A01.0 %');
  });

  test.each([
    [0.0123, 1, '1.2 %'],
    [-0.005, 1, '−0.5 %'],
    [0.00125, 2, '0.13 %'],
  ])('a share of %d to %d decimals is %s', (share, decimals, words) =>
    expect(spanWords(share, decimals)).toBe(words),
  );
});

describe('what is wrong with a step test', () => {
  const samples = (value: (t: number) => number, output: (t: number) => number) =>
    Array.from({ length: 60 }, (_, t) => ({ t, output: output(t), value: value(t) }));
  const step = (t: number) => (t < 10 ? 40 : 50);
  const words = (...args: Parameters<typeof samples>) => {
    const fit = fitStep(samples(...args));
    return fit.ok ? 'fitted' : stepTrouble(fit.error);
  };

  test('is said, and that nothing is proposed', () => {
    expect(
      words(
        () => 50,
        () => 40,
      ),
    ).toMatch(/never steps.*No settings/u);
    expect(words((t) => 50 + Math.sin(t * 7.1), step)).toMatch(/more than its noise.*No settings/u);
    expect(words((t) => (t < 10 ? 50 : 60), step)).toMatch(/Log faster; no settings/u);
  });

  test('a file without three columns says how many it has', () => {
    const table = readStepCsv('1;2\n3;4');
    expect(table.ok ? '' : stepTrouble(table.error)).toMatch(/the first line has 2/);
  });
});
