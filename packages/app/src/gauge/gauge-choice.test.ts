import { leftWords, outcomeWord, printersIn, defaultHouseRules as rules } from '@holvek/core';
import { gauge, valve } from '@/testing/samples';
import { outcomeTone } from '@/sheet/outcome';
import { bestGauge, fitnessFor, ofItsKind, reachingGauge } from './gauge-choice';

const today = '2026-11-24';
const fits = { ...gauge, id: 'fits' };
const coarse = { ...gauge, id: 'coarse', resolution_pa: 20_000, accuracy_fraction: 0.02 };
const wide = { ...gauge, id: 'wide', range_high_pa: 4e6 };
const old = { ...gauge, id: 'old', calibration_due_on: '2025-01-01' };

describe('which gauge to take', () => {
  const fitness = (each: typeof gauge) => fitnessFor(each, valve, 'outlet', { rules, today });
  test('the one that fits, before the one that may be used, before the one that cannot judge', () => {
    expect(bestGauge([coarse, old, fits], fitness)!.id).toBe('fits');
    expect(bestGauge([coarse, old], fitness)!.id).toBe('old');
    expect(fitness(coarse).grade).toBe('unfit');
  });
  test('for a side that is only watched, the smallest in date that reaches', () => {
    const high = { ...gauge, id: 'high', range_high_pa: 2e6 };
    expect(reachingGauge([wide, high, old, fits], valve, 'inlet', today)!.id).toBe('high');
  });
  test('of its own kind: a thermometer is not even offered for a pressure, nor a gauge for degrees', () => {
    const thermometer = { ...gauge, id: 'degrees', unit: '°C' };
    const all = [fits, thermometer];
    const heated = { plate: { ...valve.plate, family: 'temperature' } } as never;
    expect(ofItsKind(all, valve).map(({ id }) => id)).toEqual(['fits']);
    expect(ofItsKind(all, heated).map(({ id }) => id)).toEqual(['degrees']);
    expect(fitness(thermometer).grade).toBe('unfit');
    expect(reachingGauge([thermometer], valve, 'inlet', today)).toBeUndefined();
  });
  test('a vacuum on a pressure gauge is unfit', () => {
    const vacuum = {
      ...valve,
      target: { ...valve.target, set_point_pa: -24_000, tolerance_pa: 1000, limit_pa: -29_000 },
    };
    const { grade, findings } = fitnessFor(fits, vacuum, 'outlet', { rules, today });
    expect(grade).toBe('unfit');
    expect(findings.map(({ code }) => code)).toContain('gauge.beyond_range');
  });
});

describe('what a sheet comes to', () => {
  const bare = { settings: [], open_ends: [] };
  test('in a word, with its tone', () => {
    expect([
      outcomeWord({ ...bare, outcome: 'set', verdict: 'pass' }),
      outcomeTone({ ...bare, outcome: 'set', verdict: 'fail' }),
    ]).toEqual(['pass, guarded', 'stop']);
    expect([
      outcomeWord({ ...bare, outcome: 'out_of_service', verdict: null }),
      outcomeTone({ ...bare, outcome: 'out_of_service', verdict: null }),
    ]).toEqual(['out of service', 'stop']);
    expect(outcomeWord({ ...bare, outcome: 'sequence_done', verdict: null })).toBe('done');
  });
  test('and what was left', () => {
    const body = {
      settings: [{ as_left_pa: 5000, role: 'outlet' }],
      gauges: { outlet: { resolution_pa: 10 } },
      outcome: 'set',
    };
    expect(leftWords(body as never, printersIn('kPa'))).toBe('left at 5.00 kPa');
    expect(
      leftWords(
        {
          ...body,
          settings: [],
          outcome: 'out_of_service',
          out_of_service_because: 'Seal broken',
        } as never,
        printersIn('kPa'),
      ),
    ).toBe('Seal broken');
  });
});

describe('calibrators', () => {
  const sources = [{ kind: 'current' as const, low: 0, high: 0.024, error: 5e-6 }];
  const calibrator = { ...gauge, id: 'calibrator', accuracy_fraction: 0.0005, sources };
  const fitness = (each: typeof gauge) => fitnessFor(each, valve, 'outlet', { rules, today });

  test('stay in the bag where an ordinary gauge will do', () => {
    expect(bestGauge([calibrator, fits], fitness)!.id).toBe('fits');
    expect(bestGauge([calibrator, coarse], fitness)!.id).toBe('calibrator');
  });

  test('come first where a signal is asked for, and must be able to give it', () => {
    const plate = {
      ...valve.plate,
      family: 'positioner',
      input: { kind: 'current', low: 0.004, high: 0.02 },
      tolerance_span: 0.01,
    };
    const positioner = { ...valve, plate } as unknown as typeof valve;
    const forSignal = (each: typeof gauge) =>
      fitnessFor(each, positioner, 'inlet', { rules, today });
    expect(bestGauge([fits, calibrator], forSignal, true)!.id).toBe('calibrator');
    expect(forSignal(fits).findings.map(({ code }) => code)).toEqual(['gauge.cannot_source']);
  });
});
