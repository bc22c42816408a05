import { defaultHouseRules, type HouseRules } from '../../valve';
import { rehearsed } from '../../testing/samples';
import type { RunState, TakenReading } from '../run-state';
import { noFlowOf, noFlowRecordOf, watchStateOf } from './freeze';

const sound = rehearsed().run;
const watched = sound.readings.filter(({ purpose }) => purpose === 'no_flow');
const before = sound.readings.filter(({ purpose }) => purpose !== 'no_flow');

/** The run with a watch of its own: a reading every so many seconds, and under the rules given. */
function watching(
  pressure: (t: number) => number,
  { until, every }: { readonly until: number; readonly every: number },
  rules: Partial<HouseRules> = {},
): RunState {
  const readings: TakenReading[] = [...before];
  for (let t = 0; t <= until; t += every)
    readings.push({
      ...watched[0]!,
      elapsed: t,
      between: undefined,
      reading: { ...watched[0]!.reading, si: pressure(t) },
    });
  const house_rules = { ...sound.started.house_rules, ...rules };
  return { ...sound, readings, started: { ...sound.started, house_rules } };
}

const set = before.findLast(({ purpose }) => purpose === 'setting')!.reading.si;
const level = () => set + 10_000;
const creeping = (t: number) => set + Math.round((60 * t) / 2000) * 2000;

describe('a watch with nothing flowing', () => {
  test('what was said between two readings belongs to its record, in order', () => {
    const record = noFlowRecordOf(sound);
    expect(record.length).toBeGreaterThan(50);
    expect(record.map(({ t }) => t)).toEqual([...record.map(({ t }) => t)].sort((a, b) => a - b));
  });
  test('ends when it is told, and not before its least', () => {
    expect(watchStateOf(watching(level, { until: 56, every: 8 }), 5).isOver).toBe(false);
    const told = watchStateOf(watching(level, { until: 64, every: 8 }), 5);
    expect(told).toMatchObject({ isOver: true, elapsed: 64, least: 60, longest: 180 });
    expect(told.verdict).toMatchObject({ shape: 'levels', passes: true });
  });
  test('goes on while it cannot be told, and not for ever', () => {
    const at = (until: number) => watchStateOf(watching(creeping, { until, every: 20 }), 5);
    expect(at(80)).toMatchObject({ isOver: false, verdict: { shape: 'cannot_tell' } });
    const noise = (t: number) => set + ((t / 8) % 2) * 30_000;
    const wild = watchStateOf(watching(noise, { until: 184, every: 8 }), 5);
    expect(wild).toMatchObject({ isOver: true, verdict: { shape: 'cannot_tell' } });
  });
  test('wants its number of readings all the same', () => {
    expect(watchStateOf(watching(level, { until: 180, every: 60 }), 5).isOver).toBe(false);
  });
  test('of before, is over at its least and judged by what fits best', () => {
    const { no_flow_watch: _, ...rules } = defaultHouseRules;
    const { house_rules: frozen } = sound.started;
    const run = watching(creeping, { until: 64, every: 16 });
    const old = { ...run, started: { ...run.started, house_rules: { ...frozen, ...rules } } };
    delete (old.started.house_rules as { no_flow_watch?: unknown }).no_flow_watch;
    expect(watchStateOf(old, 5)).toMatchObject({ isOver: true, longest: 60 });
    expect(noFlowOf(old).no_flow!.shape).not.toBe('cannot_tell');
    expect(noFlowOf(run).no_flow).toMatchObject({ shape: 'cannot_tell', passes: false });
  });
});
