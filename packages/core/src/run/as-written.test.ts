import { familyStarted } from '../testing/family-samples';
import { stamp, startedDraft } from '../testing/samples';
import { atTapping } from '../family';
import { gaugePa } from '../quantity';
import { unwrap } from '../result';
import { checkEvent } from './check-event';
import type { RunEventDraft } from './event';
import { reduceRun } from './reduce';

type Drafted = Extract<RunEventDraft, { type: 'reading' }>;

/** A reducing valve whose outlet gauge hangs two metres above its tapping, and adds 3 kPa at 100. */
const plain = startedDraft();
const outlet = {
  ...plain.gauges.outlet!,
  height_above_tapping_m: 2,
  corrections: [
    { shown_pa: 0, add_pa: 0 },
    { shown_pa: 100_000, add_pa: 3000 },
  ],
};
const started = { ...plain, gauges: { ...plain.gauges, outlet } };
const run = unwrap(reduceRun([stamp(started, 1)]));
const at = (shown: number) => atTapping(started.plate, outlet, gaugePa(shown));

const reading = (
  si: number,
  text: string,
  over: Partial<Drafted['reading']> & { readonly unit?: string } = {},
): RunEventDraft => {
  const { unit = 'kPa', ...rest } = over;
  return {
    type: 'reading',
    step_id: 'as_found',
    role: 'outlet',
    purpose: 'as_found',
    reading: { si, entered: { text, unit }, gauge_id: outlet.id, source: 'typed', ...rest },
    settled: true,
  };
};
const codeOf = (draft: RunEventDraft) => checkEvent(run, draft)?.code;

describe('a figure and the words beside it', () => {
  test('a typed figure is what the gauge showed, by its certificate and its height', () => {
    expect(at(100_000)).toBeGreaterThan(120_000);
    expect(codeOf(reading(at(100_000), '100'))).toBeUndefined();
    expect(codeOf(reading(at(100_000), '1 bar'))).toBeUndefined();
    expect(codeOf(reading(at(100_000), '14.503774', { unit: 'psi' }))).toBeUndefined();
  });

  test.each([
    ['without certificate and height', 100_000, '100'],
    ['without the certificate', at(100_000) - 3000, '100'],
    ['ten pascals off', at(100_000) + 10, '100'],
    ['of another unit', at(100_000), '100 psi'],
    ['beside no number', at(100_000), 'much'],
    ['beside nothing', at(100_000), ''],
  ])('one %s is refused', (_, si, text) => {
    expect(checkEvent(run, reading(si, text))).toEqual({
      code: 'run.not_as_written',
      text,
      unit: 'kPa',
    });
  });

  test('that it was confirmed is no way round', () => {
    expect(codeOf(reading(150_000, '100', { confirmed: true }))).toBe('run.not_as_written');
  });

  test('a line’s may differ from its last words by what its gauge can tell, and no more', () => {
    const apart = outlet.resolution_pa + 1000;
    const linked = (off: number) => codeOf(reading(at(100_000) + off, '100', { source: 'linked' }));
    expect(linked(apart)).toBeUndefined();
    expect(linked(-apart)).toBeUndefined();
    expect(linked(apart + 5)).toBe('run.not_as_written');
    expect(linked(-apart - 5)).toBe('run.not_as_written');
    const logged = (off: number) => codeOf(reading(at(100_000) + off, '100', { source: 'file' }));
    expect([logged(apart), logged(apart + 5)]).toEqual([undefined, 'run.not_as_written']);
    expect(codeOf(reading(at(100_000) + apart, '100'))).toBe('run.not_as_written');
  });

  test('an absolute figure is believed for any air there is on earth', () => {
    const absolute = (si: number) => codeOf(reading(si, '250 kPa abs'));
    expect(absolute(at(250_000 - 101_325))).toBeUndefined();
    expect(absolute(at(250_000 - 60_000))).toBeUndefined();
    expect(absolute(at(250_000 - 21_000))).toBeUndefined();
    expect(absolute(at(250_000 - 109_000))).toBeUndefined();
    expect(absolute(at(250_000 - 19_000))).toBe('run.not_as_written');
    expect(absolute(at(250_000 - 111_000))).toBe('run.not_as_written');
  });

  test('it is of the gauge that the run has', () => {
    expect(checkEvent(run, reading(at(100_000), '100', { gauge_id: 'another' }))).toEqual({
      code: 'run.other_gauge',
      gauge: 'another',
    });
  });
});

describe('a point of an instrument and the words beside it', () => {
  const positioner = unwrap(reduceRun([stamp(familyStarted('positioner'), 1)]));
  const point = (
    output: number,
    text: string,
    unit = '%',
    source: 'typed' | 'linked' = 'typed',
  ): RunEventDraft => ({
    type: 'cal_point',
    step_id: 'as_found',
    at: 0.5,
    direction: 'up',
    pass: 1,
    output,
    entered: { text, unit },
    source,
  });
  const pointCode = (...of: Parameters<typeof point>) => checkEvent(positioner, point(...of))?.code;

  test('is its text, in the kind of the output or of the signal', () => {
    expect(pointCode(0.48, '48')).toBeUndefined();
    expect(pointCode(0.012, '12', 'mA')).toBeUndefined();
    expect(pointCode(0.48, '49')).toBe('run.not_as_written');
    expect(pointCode(0.480_01, '48')).toBe('run.not_as_written');
    expect(pointCode(0.48, '48', 'psi')).toBe('run.not_as_written');
  });

  test('by a line it lies within the last digit', () => {
    expect(pointCode(0.4809, '48.0', '%', 'linked')).toBeUndefined();
    expect(pointCode(0.4812, '48.0', '%', 'linked')).toBe('run.not_as_written');
  });
});
