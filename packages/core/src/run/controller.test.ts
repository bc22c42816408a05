import { unwrap } from '../result';
import { DIALLED, dialledIn, stepFitOf, stepTestOf, SWEEP_GAINS, sweepView } from '../step';
import { familyStarted } from '../testing/family-samples';
import { stamp } from '../testing/samples';
import { checkEvent } from './check-event';
import type { RunEventDraft } from './event';
import { reduceRun } from './reduce';

const runOf = (...drafts: RunEventDraft[]) =>
  unwrap(
    reduceRun([
      stamp(familyStarted('controller'), 1),
      ...drafts.map((draft, i) => ({
        ...stamp(draft, i + 2),
        at_ms: 1_000_000_000_000 + i * 1000,
      })),
    ]),
  );
const swept = (gain: number, kPa: number): RunEventDraft => ({
  type: 'swept',
  step_id: 'sweep',
  gain,
  role: 'outlet',
  reading: {
    si: kPa * 1000,
    entered: { text: String(kPa), unit: 'kPa' },
    gauge_id: 'g',
    source: 'typed',
  },
});
/** A whole sweep of pointers that disagree by a share of their scale. */
const sweep = (offset: number) => SWEEP_GAINS.map((gain) => swept(gain, 60 + gain * offset * 80));
const turned = (turns: number): RunEventDraft => ({ type: 'turned', adjuster: 'alignment', turns });
const tested = (gain: number): RunEventDraft => ({
  type: 'step_tested',
  step_id: 'tune',
  source: 'typed',
  samples: Array.from({ length: 120 }, (_, t) => [
    t,
    t < 20 ? 50 : 58,
    50 + 8 * gain * (t > 25 ? 1 - Math.exp(-(t - 25) / 15) : 0),
  ]),
});

describe('the alignment of a controller', () => {
  test('bands are asked for from narrow reverse to narrow direct', () => {
    expect(sweepView(runOf()).nextGain).toBe(-5);
    expect(sweepView(runOf(swept(-5, 60), swept(-1, 60))).nextGain).toBe(-0.2);
    expect(sweepView(runOf(...sweep(0))).nextGain).toBeUndefined();
  });

  test('flat wants no turn, and lets the step be done', () => {
    const run = runOf(...sweep(0.001));
    expect(sweepView(run).turns).toBeUndefined();
    expect(checkEvent(run, { type: 'step_done', step_id: 'sweep' })).toBeUndefined();
  });

  test('a lean says how far to turn against it, and keeps the step open', () => {
    const run = runOf(...sweep(0.02));
    const { turns, alignment } = sweepView(run);
    expect(alignment.ok && alignment.value.offset).toBeCloseTo(0.02, 6);
    expect(turns).toBeCloseTo(-1, 6);
    expect(checkEvent(run, { type: 'step_done', step_id: 'sweep' })).toMatchObject({
      guard: { guard: 'aligned' },
    });
  });

  test('after a turn everything is swept again', () => {
    const view = sweepView(runOf(...sweep(0.02), turned(-1)));
    expect(view.taken).toEqual([]);
    expect(view.nextGain).toBe(-5);
  });

  test('what a turn did is learned: half of what was wanted doubles the next', () => {
    const { turns } = sweepView(runOf(...sweep(0.02), turned(-1), ...sweep(0.01)));
    expect(turns).toBeCloseTo(-1, 6);
  });

  test('an alignment that works the other way is turned round', () => {
    const { turns } = sweepView(runOf(...sweep(0.02), turned(-0.5), ...sweep(0.03)));
    expect(turns).toBeGreaterThan(0);
  });

  test('wandering proposes no turn', () => {
    const wild = SWEEP_GAINS.map((gain, i) => swept(gain, i % 2 ? 66 : 54));
    expect(sweepView(runOf(...wild)).turns).toBeUndefined();
  });
});

describe('the tuning of a controller', () => {
  test('a step test is kept as it was recorded, and fitted', () => {
    const run = runOf(tested(1.2));
    expect(stepTestOf(run)).toHaveLength(120);
    const fit = stepFitOf(run);
    expect(fit?.ok && fit.value.model.gain).toBeCloseTo(1.2, 1);
    expect(stepFitOf(runOf())).toBeUndefined();
  });

  test('a later test takes the place of the one before', () => {
    const fit = stepFitOf(runOf(tested(1.2), tested(0.6)));
    expect(fit?.ok && fit.value.model.gain).toBeCloseTo(0.6, 1);
  });

  test('a test without an answer proposes nothing', () => {
    expect(stepFitOf(runOf(tested(0)))).toMatchObject({ ok: false });
  });

  test('the step is done when band and reset were dialled', () => {
    const done: RunEventDraft = { type: 'step_done', step_id: 'tune' };
    const half = runOf(tested(1), { type: 'observed', key: DIALLED.band, value: 55 });
    expect(dialledIn(half)).toBeUndefined();
    expect(checkEvent(half, done)).toMatchObject({ guard: { guard: 'tuned' } });
    const whole = runOf(
      tested(1),
      { type: 'observed', key: DIALLED.band, value: 55 },
      { type: 'observed', key: DIALLED.reset, value: 0.4 },
    );
    expect(dialledIn(whole)).toEqual({ band: 55, reset: 0.4 });
    expect(checkEvent(whole, done)).toBeUndefined();
  });
});
