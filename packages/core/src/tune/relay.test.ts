import { largestSensitivity, previewLoop } from './closed-loop';
import type { ProcessModel, StepSample } from './fit-step';
import { relaySettings, relayTest } from './relay';

/** A first-order line with dead time under a relay, stepped finely: written apart from the plants. */
function underRelay(
  { gain, timeConstant, deadTime }: ProcessModel,
  half: number,
  hysteresis: number,
  seconds: number,
) {
  const dt = 0.02;
  const samples: StepSample[] = [];
  const sent: number[] = [];
  let value = 0;
  let relay = 1;
  for (let i = 0; i < seconds / dt; i++) {
    if (value > hysteresis) relay = -1;
    if (value < -hysteresis) relay = 1;
    sent.push(relay * half);
    value += (dt * (gain * (sent[i - Math.round(deadTime / dt)] ?? 0) - value)) / timeConstant;
    if (i % 10 === 0) samples.push({ t: i * dt, output: relay * half, value });
  }
  return samples;
}

describe('relay test', () => {
  test.each([
    [{ gain: 1, timeConstant: 12, deadTime: 3 }],
    [{ gain: 0.6, timeConstant: 20, deadTime: 2 }],
    [{ gain: 1.4, timeConstant: 8, deadTime: 5 }],
  ])('finds what a describing function foretells for %j', (model) => {
    const test = relayTest(underRelay(model, 8, 0, 160));
    if (!test.ok) throw new Error(test.error.code);
    // The line's own swing under a relay: period and height follow from two exponentials.
    const { gain, timeConstant, deadTime } = model;
    const exact = 2 * timeConstant * Math.log(2 * Math.exp(deadTime / timeConstant) - 1);
    const height = gain * 8 * (1 - Math.exp(-deadTime / timeConstant));
    expect(test.value.period / exact).toBeCloseTo(1, 1);
    expect(test.value.amplitude / height).toBeCloseTo(1, 1);
    expect(test.value.ultimateGain).toBeCloseTo((4 * 8) / (Math.PI * test.value.amplitude), 6);
    expect(test.value.cycles).toBeGreaterThanOrEqual(3);
  });

  test('hysteresis is taken out of the height of the swing', () => {
    const model = { gain: 1, timeConstant: 12, deadTime: 3 };
    const plain = relayTest(underRelay(model, 8, 0.2, 160), 0);
    const taken = relayTest(underRelay(model, 8, 0.2, 160), 0.2);
    if (!plain.ok || !taken.ok) throw new Error('no swing');
    const ratio = plain.value.amplitude / Math.sqrt(plain.value.amplitude ** 2 - 0.04);
    expect(taken.value.ultimateGain / plain.value.ultimateGain).toBeCloseTo(ratio, 9);
  });

  test('its settings keep every line of the house calm', () => {
    for (const gain of [0.5, 1, 1.5])
      for (const timeConstant of [6, 12, 20])
        for (const share of [0.1, 0.2, 0.4, 0.6]) {
          const model = { gain, timeConstant, deadTime: share * timeConstant };
          const test = relayTest(underRelay(model, 8, 0, 40 * timeConstant));
          if (!test.ok) throw new Error(test.error.code);
          const settings = relaySettings(test.value);
          expect(largestSensitivity(model, settings)).toBeLessThan(2.1);
          expect(previewLoop(model, settings).isStable).toBe(true);
        }
  });

  test('nothing is proposed without swings', () => {
    const still = Array.from({ length: 50 }, (_, t) => ({ t, output: 50, value: 50 }));
    expect(relayTest(still)).toEqual({ ok: false, error: { code: 'tune.relay_no_swing' } });
    expect(relayTest([])).toEqual({ ok: false, error: { code: 'tune.relay_no_swing' } });
    const deaf = still.map((sample, i) => ({ ...sample, output: i % 8 < 4 ? 42 : 58 }));
    expect(relayTest(deaf, 0.2)).toEqual({ ok: false, error: { code: 'tune.relay_no_swing' } });
    const few = underRelay({ gain: 1, timeConstant: 12, deadTime: 3 }, 8, 0, 30);
    expect(relayTest(few)).toMatchObject({ ok: false, error: { code: 'tune.relay_too_short' } });
  });
});
