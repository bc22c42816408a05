import type { StepSample } from './fit-step';
import { relaySettings, relayTest } from './relay';

/** A process by its lags, s, its dead time, and whether it integrates: written apart from the plants. */
type Process = {
  readonly gain: number;
  readonly lags: readonly number[];
  readonly deadTime: number;
  readonly integrates?: boolean;
};

function underRelay(
  { gain, lags, deadTime, integrates = false }: Process,
  half: number,
  hysteresis: number,
  seconds: number,
): StepSample[] {
  const dt = 0.02;
  const every = Math.max(1, Math.round(seconds / dt / 4000));
  const samples: StepSample[] = [];
  const sent: number[] = [];
  const states = lags.map(() => 0);
  let total = 0;
  let relay = 1;
  for (let i = 0; i < seconds / dt; i++) {
    const value = integrates ? total : states.at(-1)!;
    if (value > hysteresis) relay = -1;
    if (value < -hysteresis) relay = 1;
    sent.push(relay * half);
    if (i % every === 0) samples.push({ t: i * dt, output: relay * half, value });
    let into = gain * (sent[i - Math.round(deadTime / dt)] ?? 0);
    lags.forEach((lag, j) => {
      states[j]! += (dt * (into - states[j]!)) / lag;
      into = states[j]!;
    });
    if (integrates) total += dt * into;
  }
  return samples;
}

type Complex = { readonly re: number; readonly im: number };
const times = (a: Complex, b: Complex): Complex => ({
  re: a.re * b.re - a.im * b.im,
  im: a.re * b.im + a.im * b.re,
});
const inverse = ({ re, im }: Complex): Complex => {
  const square = re ** 2 + im ** 2;
  return { re: re / square, im: -im / square };
};

function answerAt({ gain, lags, deadTime, integrates = false }: Process, w: number): Complex {
  const dead = { re: gain * Math.cos(w * deadTime), im: -gain * Math.sin(w * deadTime) };
  return [...lags.map((lag) => ({ re: 1, im: w * lag })), ...(integrates ? [{ re: 0, im: w }] : [])]
    .map(inverse)
    .reduce(times, dead);
}

/** Largest sensitivity 1/|1 + L| of the loop, on a fine grid of frequencies. */
function sensitivityOf(
  process: Process,
  { gain, integralTime }: { readonly gain: number; readonly integralTime: number },
): number {
  let worst = 0;
  for (let i = 0; i <= 4000; i++) {
    const w = 1e-4 * 10 ** (i / 667);
    const loop = times(answerAt(process, w), { re: gain, im: -gain / (w * integralTime) });
    worst = Math.max(worst, 1 / Math.hypot(1 + loop.re, loop.im));
  }
  return worst;
}

/** Frequency at which the phase has turned by half, by bisection of what lags and dead time add up to. */
function ultimateOf(process: Process): { readonly gain: number; readonly period: number } {
  const phase = (w: number) =>
    process.lags.reduce((sum, lag) => sum + Math.atan(w * lag), 0) +
    w * process.deadTime +
    (process.integrates === true ? Math.PI / 2 : 0);
  let [low, high] = [1e-4, 1e3];
  for (let i = 0; i < 80; i++) {
    const middle = Math.sqrt(low * high);
    if (phase(middle) < Math.PI) low = middle;
    else high = middle;
  }
  const { re, im } = answerAt(process, low);
  return { gain: 1 / Math.hypot(re, im), period: (2 * Math.PI) / low };
}

const tested = (process: Process, hysteresis: number, seconds: number) => {
  const test = relayTest(underRelay(process, 8, hysteresis, seconds), hysteresis);
  if (!test.ok) throw new Error(test.error.code);
  return test.value;
};

const lines: readonly Process[] = [
  { gain: 1, lags: [12], deadTime: 3 },
  { gain: 0.6, lags: [20], deadTime: 2 },
  { gain: 1.4, lags: [8], deadTime: 5 },
];

describe('relay test', () => {
  test.each(lines)('finds the ultimate gain and period of $lags with $deadTime', (line) => {
    const { gain, period } = ultimateOf(line);
    const found = tested(line, 0, 240);
    expect(Math.abs(found.ultimateGain / gain - 1)).toBeLessThan(0.06);
    expect(Math.abs(found.period / period - 1)).toBeLessThan(0.06);
    expect(Math.abs(found.rollOff - 1)).toBeLessThan(0.12);
    expect(found.cycles).toBeGreaterThanOrEqual(3);
  });

  test.each(lines)('its hysteresis makes hardly a difference to $lags with $deadTime', (line) => {
    const plain = tested(line, 0, 240);
    const wide = tested(line, 0.5, 240);
    expect(Math.abs(wide.ultimateGain / plain.ultimateGain - 1)).toBeLessThan(0.06);
    expect(Math.abs(wide.period / plain.period - 1)).toBeLessThan(0.06);
    expect(wide.amplitude).toBeGreaterThan(plain.amplitude + 0.2);
  });

  test('two lags are told from one', () => {
    expect(tested({ gain: 1, lags: [10, 10], deadTime: 1 }, 0, 200).rollOff).toBeGreaterThan(1.7);
  });

  const worlds: readonly Process[] = [
    ...[0.02, 0.05, 0.1, 0.2, 0.4, 0.6, 1, 2, 5].map((share) => ({
      gain: 1,
      lags: [12],
      deadTime: share * 12,
    })),
    ...[0.1, 0.5, 1].flatMap((second) =>
      [0.05, 0.2, 0.5, 1].map((share) => ({
        gain: 0.7,
        lags: [12, 12 * second],
        deadTime: share * 12,
      })),
    ),
    { gain: 1, lags: [12, 6], deadTime: 0 },
    ...[0, 0.1, 0.5, 1, 3].map((share) => ({
      gain: 0.1,
      lags: share === 0 ? [] : [4 * share],
      deadTime: 4,
      integrates: true,
    })),
  ];
  test.each(worlds.flatMap((world) => [0.1, 0.4].map((hysteresis) => ({ world, hysteresis }))))(
    'its settings keep $world calm at a hysteresis of $hysteresis',
    ({ world, hysteresis }) => {
      const { period } = world.deadTime > 0 ? ultimateOf(world) : { period: 20 };
      const settings = relaySettings(tested(world, hysteresis, 14 * Math.max(period, 8)));
      expect(sensitivityOf(world, settings)).toBeLessThanOrEqual(2);
      expect(sensitivityOf(world, settings)).toBeGreaterThan(1.1);
    },
  );

  test('nothing is proposed without swings', () => {
    const still = Array.from({ length: 50 }, (_, t) => ({ t, output: 50, value: 50 }));
    expect(relayTest(still)).toEqual({ ok: false, error: { code: 'tune.relay_no_swing' } });
    expect(relayTest([])).toEqual({ ok: false, error: { code: 'tune.relay_no_swing' } });
    const deaf = still.map((sample, i) => ({ ...sample, output: i % 8 < 4 ? 42 : 58 }));
    expect(relayTest(deaf, 0.2)).toEqual({ ok: false, error: { code: 'tune.relay_no_swing' } });
    const few = underRelay(lines[0]!, 8, 0, 30);
    expect(relayTest(few)).toMatchObject({ ok: false, error: { code: 'tune.relay_too_short' } });
  });
});
