import fc from 'fast-check';
import { seededRandom } from '../numerics';
import { bandOfGain, gainOfBand, integralOfReset, otherReset } from './band';
import { largestSensitivity, previewLoop } from './closed-loop';
import { fitStep, type ProcessModel, type StepSample } from './fit-step';
import { actionFor, simcSettings } from './simc';

/** A record of one step, as a logger would leave it. */
function record(
  { gain, timeConstant, deadTime }: ProcessModel,
  noise: number,
  seed: number,
  step = 10,
) {
  const random = seededRandom(seed);
  const span = (deadTime + 5 * timeConstant) * 1.3;
  return Array.from({ length: 240 }, (_, i): StepSample => {
    const t = (span * i) / 239;
    const since = t - span * 0.15 - deadTime;
    const rise = since > 0 ? 1 - Math.exp(-since / timeConstant) : 0;
    return {
      t,
      output: t < span * 0.15 ? 40 : 40 + step,
      value: 50 + gain * step * rise + noise * random.normal(),
    };
  });
}

describe('proportional band and reset', () => {
  test.each([
    [100, 1],
    [250, 0.4],
    [20, 5],
  ])('a band of %d %% is a gain of %d', (band, gain) => {
    expect(gainOfBand(band)).toEqual({ ok: true, value: gain });
    expect(bandOfGain(gain)).toEqual({ ok: true, value: band });
  });

  test('0.1 min a repeat is 6 s, and 10 repeats a minute', () => {
    expect(integralOfReset(0.1)).toEqual({ ok: true, value: 6 });
    expect(otherReset(0.1)).toEqual({ ok: true, value: 10 });
  });

  test('nothing and less are refused', () => {
    for (const bad of [0, -5, Number.NaN]) {
      expect(gainOfBand(bad)).toEqual({ ok: false, error: { code: 'tune.band_not_positive' } });
      expect(integralOfReset(bad)).toEqual({
        ok: false,
        error: { code: 'tune.reset_not_positive' },
      });
    }
  });
});

describe('fit of a step', () => {
  test('finds the generating values without noise', () => {
    const model = fc.record({
      gain: fc.double({ min: 0.3, max: 3, noNaN: true }),
      timeConstant: fc.double({ min: 5, max: 200, noNaN: true }),
      deadTime: fc.double({ min: 1, max: 20, noNaN: true }),
    });
    fc.assert(
      fc.property(model, (truth) => {
        const fit = fitStep(record(truth, 0, 1));
        if (!fit.ok) throw new Error(fit.error.code);
        expect(fit.value.model.gain / truth.gain).toBeCloseTo(1, 1);
        expect(fit.value.model.timeConstant / truth.timeConstant).toBeCloseTo(1, 1);
        const grid = ((truth.deadTime + 5 * truth.timeConstant) * 1.3) / 239;
        expect(Math.abs(fit.value.model.deadTime - truth.deadTime)).toBeLessThan(1.5 * grid + 0.2);
        expect(fit.value.sawTheEnd).toBe(true);
      }),
      { seed: 40, numRuns: 25 },
    );
  });

  test('a falling answer has a negative gain and wants direct action', () => {
    const fit = fitStep(record({ gain: -0.8, timeConstant: 30, deadTime: 5 }, 0.1, 3));
    if (!fit.ok) throw new Error(fit.error.code);
    expect(fit.value.model.gain).toBeLessThan(-0.7);
    expect(actionFor(fit.value.model)).toBe('direct');
  });

  test('noise alone proposes nothing', () => {
    const passed = Array.from({ length: 60 }, (_, seed) =>
      fitStep(record({ gain: 0, timeConstant: 30, deadTime: 5 }, 0.5, seed + 1)),
    ).filter((fit) => fit.ok);
    expect(passed).toHaveLength(0);
  });

  test('no step, too little and times that run back are named', () => {
    const good = record({ gain: 1, timeConstant: 20, deadTime: 4 }, 0, 1);
    const code = (samples: readonly StepSample[]) => {
      const fit = fitStep(samples);
      return fit.ok ? 'ok' : fit.error.code;
    };
    expect(code(good.map((sample) => ({ ...sample, output: 40 })))).toBe('tune.no_step');
    expect(code(good.slice(0, 5))).toBe('tune.too_short');
    expect(code([...good.slice(0, 20), ...good.slice(0, 20)])).toBe('tune.times_out_of_order');
  });

  test('an answer faster than the samples cannot be timed', () => {
    const jump = record({ gain: 1, timeConstant: 30, deadTime: 0 }, 0.05, 2).map((sample) => ({
      ...sample,
      value: sample.output === 40 ? 50 : 60,
    }));
    expect(fitStep(jump)).toMatchObject({ ok: false, error: { code: 'tune.too_fast' } });
  });

  test('a record that ends too soon says so', () => {
    const whole = record({ gain: 1, timeConstant: 60, deadTime: 5 }, 0, 1);
    const fit = fitStep(whole.filter(({ t }) => t < 110));
    expect(fit.ok && fit.value.sawTheEnd).toBe(false);
  });
});

describe('proposed settings', () => {
  test('worked: K 2, τ 40 s, θ 5 s gives a gain of 2 and 40 s', () => {
    expect(simcSettings({ gain: 2, timeConstant: 40, deadTime: 5 })).toEqual({
      gain: 2,
      integralTime: 40,
    });
  });

  test('hold every process: stable, little overshoot, sensitivity under 1.8', () => {
    const model = fc.record({
      gain: fc.double({ min: 0.2, max: 4, noNaN: true }),
      timeConstant: fc.double({ min: 4, max: 300, noNaN: true }),
      deadTime: fc.double({ min: 1, max: 60, noNaN: true }),
    });
    fc.assert(
      fc.property(model, (process) => {
        const preview = previewLoop(process, simcSettings(process));
        expect(preview.isStable).toBe(true);
        expect(preview.sensitivity).toBeLessThan(1.8);
        expect(preview.overshoot).toBeLessThan(0.3);
        expect(Math.abs(preview.offset)).toBeLessThan(0.6);
        expect(preview.settling).toBeDefined();
      }),
      { seed: 41, numRuns: 60 },
    );
  });
});

describe('closed-loop preview', () => {
  const process = { gain: 1, timeConstant: 30, deadTime: 6 };

  test('proportional action alone leaves step / (1 + gain) over; reset removes it', () => {
    const alone = previewLoop(process, { gain: 2, integralTime: undefined });
    expect(alone.offset).toBeCloseTo(10 / 3, 1);
    expect(Math.abs(previewLoop(process, { gain: 2, integralTime: 30 }).offset)).toBeLessThan(0.1);
  });

  test('a wider band is calmer', () => {
    const at = (band: number) =>
      largestSensitivity(process, { gain: 100 / band, integralTime: 30 });
    expect(at(20)).toBeGreaterThan(at(50));
    expect(at(50)).toBeGreaterThan(at(200));
  });

  test('too narrow a band is told as not stable, in size and in the picture', () => {
    const wild = previewLoop(process, { gain: 14, integralTime: 10 });
    expect(wild.isStable).toBe(false);
    expect(wild.sensitivity).toBe(Number.POSITIVE_INFINITY);
    expect(wild.settling).toBeUndefined();
    expect(wild.samples.every(({ value }) => Number.isFinite(value))).toBe(true);
  });
});
