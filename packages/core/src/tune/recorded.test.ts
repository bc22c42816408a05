import { seededRandom } from '../numerics';
import { rounded } from '../testing/rounded';
import { largestSensitivity, previewLoop } from './closed-loop';
import { fitStep, type StepSample } from './fit-step';
import { relaySettings, relayTest } from './relay';
import { actionFor, simcSettings } from './simc';

/** Fits and settings recorded over inputs that are the same each time: a line that changes is looked at. */
const models = [
  { gain: 1.4, timeConstant: 40, deadTime: 6 },
  { gain: -0.6, timeConstant: 12, deadTime: 10 },
  { gain: 2.2, timeConstant: 90, deadTime: 0 },
  { gain: 0.9, timeConstant: 5, deadTime: 20 },
];

const bump = (
  { gain, timeConstant, deadTime }: (typeof models)[number],
  {
    noise,
    step = 8,
    count = 200,
    drift = 0,
  }: { noise: number; step?: number; count?: number; drift?: number },
): StepSample[] => {
  const random = seededRandom(9);
  const span = (deadTime + 5 * timeConstant) * 1.3;
  return Array.from({ length: count }, (_, i) => {
    const t = (span * i) / (count - 1);
    const since = t - span * 0.15 - deadTime;
    const rise = since > 0 ? 1 - Math.exp(-since / timeConstant) : 0;
    return {
      t,
      output: t < span * 0.15 ? 40 : 40 + step,
      value: 50 + gain * step * rise + drift * t + noise * random.normal(),
    };
  });
};

test('the process from a step of the output', () => {
  const lines = models.flatMap((model) =>
    [
      { noise: 0 },
      { noise: 0.2 },
      { noise: 0.2, drift: 0.02 },
      { noise: 2 },
      { noise: 0.1, count: 30 },
      { noise: 0.1, count: 9 },
      { noise: 0.1, step: 0 },
      { noise: 0.05, step: -3 },
    ].map((how) => rounded(fitStep(bump(model, how)))),
  );
  lines.push(rounded(fitStep(bump(models[0]!, { noise: 0.1 }).slice(60))));
  lines.push(rounded(fitStep(bump(models[0]!, { noise: 0.1 }).slice(0, 70))));
  expect(lines).toMatchSnapshot();
});

test('settings, and the loop they make', () => {
  const lines = models.flatMap((model) =>
    [undefined, 3, 60].map((closed) => {
      const settings = simcSettings(model, closed);
      const lively = { ...settings, gain: settings.gain * 2.5 };
      const { samples, ...answer } = previewLoop(model, settings, { load: 3 });
      const past = previewLoop(model, lively);
      const alone = previewLoop(model, { gain: settings.gain, integralTime: undefined });
      return rounded({
        action: actionFor(model),
        settings,
        answer,
        at: samples.filter((_, i) => i % 80 === 0),
        past: { overshoot: past.overshoot, isStable: past.isStable, settling: past.settling },
        alone: { offset: alone.offset, isStable: alone.isStable },
        sensitivity: largestSensitivity(model, lively),
      });
    }),
  );
  expect(lines).toMatchSnapshot();
});

test('a relay test', () => {
  const swing = (cycles: number, size: number): StepSample[] =>
    Array.from({ length: cycles * 40 }, (_, i) => ({
      t: i * 0.5,
      output: i % 40 < 20 ? 46 : 54,
      value: 50 + size * Math.sin((i / 20) * Math.PI - 0.6) + (i < 40 ? 1 : 0),
    }));
  const tests = [
    relayTest(swing(8, 3)),
    relayTest(swing(8, 3), 0.5),
    relayTest(swing(8, 0.52), 0.5),
    relayTest(swing(8, 0.53), 0.5),
    relayTest(swing(6, 3)),
    relayTest(swing(5, 3)),
    relayTest(swing(4, 3)),
    relayTest(swing(8, 3).map((sample) => ({ ...sample, output: 50 }))),
  ];
  expect(
    tests.map((each) => rounded(each.ok ? [each, relaySettings(each.value)] : each)),
  ).toMatchSnapshot();
});
