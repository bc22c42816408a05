import { absolutePa, inSeconds } from '@holvek/core';
import { typedLink } from './gauge-link';
import { latest, Trace, traceSettling } from './trace';
import { fakeLink } from '@/testing/fake-link';
import { gauge } from '@/testing/samples';

/** A valve that has come to rest with a time constant of 2 s before. */
const settled = (trace: Trace) => traceSettling(trace.snapshot(), 'outlet', gauge, inSeconds(2));

describe('the trace of a linked gauge', () => {
  test('reads lines in any unit and drops what is none', () => {
    const { link, say } = fakeLink();
    const trace = new Trace();
    trace.listen(link, absolutePa(101_325));
    say('416.0 kPa', 1);
    say('### overrun', 2);
    say('4.2 bar', 3);
    expect(trace.snapshot().samples.outlet).toEqual([
      { t: 1, value: 416_000 },
      { t: 3, value: 420_000 },
    ]);
    expect(latest(trace.snapshot(), 'outlet')?.value).toBe(420_000);
    expect(latest(trace.snapshot(), 'inlet')).toBeUndefined();
  });

  test('what a line counts from is heeded: on a hill the air outside is thinner', () => {
    const { link, say } = fakeLink();
    const trace = new Trace();
    trace.listen(link, absolutePa(87_000));
    say('14.7 psia', 1);
    say('20 inHg vac', 2);
    const [absolute, vacuum] = trace.snapshot().samples.outlet;
    expect(absolute!.value).toBeCloseTo(14.7 * 6894.757 - 87_000, 0);
    expect(vacuum!.value).toBeCloseTo(-67_727.8, 0);
  });

  test('keeps five minutes', () => {
    const { link, say } = fakeLink();
    const trace = new Trace();
    trace.listen(link, absolutePa(101_325));
    for (let t = 0; t <= 900; t += 10) say('100 kPa', t);
    expect(trace.snapshot().samples.outlet[0]!.t).toBeGreaterThan(590);
  });

  test('judges settling only from what came after the valve was last touched', async () => {
    const { link, say } = fakeLink();
    const trace = new Trace();
    trace.listen(link, absolutePa(101_325));
    for (let t = 0; t <= 20; t += 0.5) say('300 kPa', t);
    expect(settled(trace).state).toBe('settled');
    await trace.disturb(Promise.resolve(20));
    expect(settled(trace).state).toBe('too_few');
    for (let t = 20.5; t <= 40; t += 0.5) say('400 kPa', t);
    expect(settled(trace)).toMatchObject({ state: 'settled' });
    await trace.disturb(Promise.resolve(undefined));
    expect(settled(trace).state).toBe('settled');
  });

  test('lines that were on their way when it was touched do not count', async () => {
    const { link, say } = fakeLink();
    const trace = new Trace();
    trace.listen(link, absolutePa(101_325));
    for (let t = 0; t <= 20; t += 0.5) say('300 kPa', t);
    let heard = 0;
    const stop = trace.subscribe(() => (heard += 1));
    let tookEffect: (t: number) => void = () => undefined;
    const touched = trace.disturb(new Promise((resolve) => (tookEffect = resolve)));
    const other = trace.disturb(Promise.resolve(30));
    expect(heard).toBeGreaterThan(0);
    stop();
    for (let t = 20.5; t <= 40; t += 0.5) say('300 kPa', t);
    await other;
    expect(settled(trace).state).toBe('too_few');
    tookEffect(40);
    await touched;
    expect(settled(trace).state).toBe('too_few');
    for (let t = 40.5; t <= 60; t += 0.5) say('400 kPa', t);
    expect(settled(trace)).toMatchObject({
      state: 'settled',
      level: expect.closeTo(400_000, 3),
    });
  });

  test('when the link’s time goes back, nothing of before counts, and nothing has to be waited for', async () => {
    const { link, say } = fakeLink();
    const trace = new Trace();
    trace.listen(link, absolutePa(101_325));
    for (let t = 480; t <= 500; t += 0.5) say('300 kPa', t);
    await trace.disturb(Promise.resolve(500));
    for (let t = 200; t <= 220; t += 0.5) say('400 kPa', t);
    expect(trace.snapshot().samples.outlet[0]!.t).toBe(200);
    expect(settled(trace)).toMatchObject({
      state: 'settled',
      level: expect.closeTo(400_000, 3),
    });
  });

  test('keeps what a valve has shown, for each gauge by itself', () => {
    const trace = new Trace();
    expect(trace.learnedOf('outlet')).toBeUndefined();
    trace.learn('outlet', inSeconds(4));
    trace.learn('outlet', inSeconds(5));
    expect(trace.learnedOf('outlet')).toBe(5);
    expect(trace.learnedOf('inlet')).toBeUndefined();
  });

  test('tells its listeners when there is something new to see', () => {
    const { link, see } = fakeLink();
    const trace = new Trace();
    const heard = jest.fn();
    trace.subscribe(heard);
    trace.listen(link, absolutePa(101_325));
    see();
    expect(heard).toHaveBeenCalledTimes(1);
    expect(trace.snapshot().sight?.ventRuns).toBe(true);
  });

  test('a hand-held gauge sends nothing', () => {
    const trace = new Trace();
    trace.listen(typedLink, absolutePa(101_325))();
    expect(trace.snapshot().samples.outlet).toEqual([]);
  });
});
