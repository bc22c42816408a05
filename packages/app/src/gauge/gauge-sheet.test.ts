import { failedCheck, freezeSheet, unwrap, type Gauge, type Sheet } from '@holvek/core';
import { restingOn } from './failed-check';
import { gaugeFormSchema, toGauge, toTexts } from './gauge-form';
import { gauge } from '@/testing/samples';
import { run } from '@/testing/signed-run';

const source = { kind: 'current', low: 0.004, high: 0.02, error: 0.000_01 } as const;
const whole: Gauge = {
  ...gauge,
  certificate: { number: 'LC-118', laboratory: 'Larkhollow workshop' },
  failures: [{ on: '2026-06-01', since: '2026-01-10', why: 'Reads high' }],
  sources: [source],
  accuracy_of: 'reading',
  corrections: [
    { shown_pa: 0, add_pa: 0 },
    { shown_pa: 500_000, add_pa: -1500 },
  ],
  as_found: [{ shown_pa: 500_000, add_pa: 4000 }],
};

describe('a gauge that is changed', () => {
  test('comes out of its form as it went in, with what the form does not ask for', () => {
    expect(toGauge(toTexts(whole), whole.id, whole)).toEqual(whole);
  });

  test.each(['bar', 'psi', 'mbar', 'MPa', 'mH2O', 'mmH2O', 'inH2O', 'inHg'])(
    'keeps its figures in %s to the seventh digit',
    (unit) => {
      const back = toGauge(toTexts({ ...whole, unit }), whole.id, whole);
      expect(back.range_high_pa / whole.range_high_pa).toBeCloseTo(1, 7);
      expect(back.resolution_pa / whole.resolution_pa).toBeCloseTo(1, 7);
    },
  );

  test('its table may be written in any order, in its own unit', () => {
    const texts = toTexts({ ...whole, unit: 'bar' });
    const turned = { ...texts, corrections: [...texts.corrections].reverse() };
    expect(turned.corrections[0]).toEqual({ shown: '5', add: '-0.015' });
    expect(toGauge(turned, whole.id).corrections).toEqual(whole.corrections);
  });

  test('hangs so many feet above its tapping, or metres, and no mountain', () => {
    const hung = (height: string) => ({ ...toTexts(gauge), height });
    expect(toGauge(hung(`5' 6"`), gauge.id).height_above_tapping_m).toBe(1.6764);
    expect(toGauge(hung('-1,2'), gauge.id).height_above_tapping_m).toBe(-1.2);
    for (const [text, isTaken] of [
      ['100', true],
      ['101', false],
      ['high', false],
      ['', false],
      ['2 bar', false],
    ] as const)
      expect([text, gaugeFormSchema.safeParse(hung(text)).success]).toEqual([text, isTaken]);
  });

  test('without a table has none, and not an empty one', () => {
    expect(toGauge(toTexts(gauge), gauge.id)).not.toHaveProperty('corrections');
    expect(toGauge(toTexts(gauge), gauge.id)).not.toHaveProperty('accuracy_of');
  });

  test('without a certificate has none, and not an empty one', () => {
    expect(toGauge(toTexts(gauge), gauge.id, gauge)).not.toHaveProperty('certificate');
  });
});

describe('what rests on a gauge that failed its check', () => {
  const body = unwrap(freezeSheet(run, null));
  const sheet: Sheet = { id: 's-1', hash: 'h', body };
  const day = (shift: number) =>
    new Date(body.signed_at_ms + shift * 86_400_000).toISOString().slice(0, 10);
  const used = Object.values(body.gauges)[0]!;
  const calibrated = (shift: number) => ({ ...used, calibrated_on: day(shift) });

  test('are the sheets that were signed with it since its calibration', () => {
    const failed = failedCheck(calibrated(-30), { on: day(30), why: 'Fell' });
    expect(restingOn(failed, [sheet])).toEqual([sheet]);
    expect(restingOn({ ...failed, id: 'another' }, [sheet])).toEqual([]);
    expect(restingOn(calibrated(-30), [sheet])).toEqual([]);
  });

  test('are none of those before its calibration, nor after its failure', () => {
    const later = failedCheck(calibrated(10), { on: day(30), why: 'Fell' });
    expect(restingOn(later, [sheet])).toEqual([]);
    const before = failedCheck(calibrated(-90), { on: day(-30), why: 'Fell' });
    expect(restingOn(before, [sheet])).toEqual([]);
  });
});
