import { paPerTurn } from '../../quantity';
import type { SettingMark } from '../run-state';
import { replayMarks, type ReplayOptions } from './replay-marks';

const options: ReplayOptions = {
  prior: {
    rate: paPerTurn(60_000),
    sdFraction: 0.3,
    direction: 'raises',
    directionTrust: 0.97,
    from: 'spring',
  },
  sd: 2000,
  sign: 1,
  takenUp: 'anticlockwise',
  parked: 'free',
  travel: 20,
  role: 'outlet',
  directionKnown: false,
};
const turned = (turns: number): SettingMark => ({ kind: 'turned', turns }) as SettingMark;
const read = (pressure: number, inControl = true): SettingMark =>
  ({ kind: 'read', pressure, inControl, atMs: 0 }) as SettingMark;
const fresh = (marks: readonly SettingMark[]) => marks.map((mark) => ({ ...mark }));
const story = () => [read(0), turned(2), read(100_000), turned(3), read(290_000), turned(1)];

describe('turns and readings replayed', () => {
  test('mark by mark it comes to the same as all at once', () => {
    const marks = story();
    for (let n = 1; n < marks.length; n++) replayMarks(marks.slice(0, n), options);
    expect(replayMarks(marks, options)).toEqual(replayMarks(fresh(marks), options));
  });

  test('a mark that was taken back leaves nothing behind in those after it', () => {
    const marks = story();
    replayMarks(marks, options);
    const without = marks.filter((_, i) => i !== 3);
    expect(replayMarks(without, options)).toEqual(replayMarks(fresh(without), options));
    expect(replayMarks(marks, options)).toEqual(replayMarks(fresh(marks), options));
  });

  test('the same marks under another belief are thought over anew', () => {
    const marks = story();
    const stiff = { ...options, prior: { ...options.prior, rate: paPerTurn(120_000) } };
    const before = replayMarks(marks, options);
    const after = replayMarks(marks, stiff);
    expect(after).toEqual(replayMarks(fresh(marks), stiff));
    expect(after.foretold!.mean).not.toBeCloseTo(before.foretold!.mean, 0);
  });

  test('readings are dots, each with the turns before it; a second one takes the place of the first', () => {
    const { dots, pendingTurns } = replayMarks([...story(), read(350_000), read(352_000)], options);
    expect(dots.map(({ pressure, turns }) => [pressure, turns])).toEqual([
      [0, 0],
      [100_000, 2],
      [290_000, 3],
      [352_000, 1],
    ]);
    expect(pendingTurns).toBe(0);
  });

  test('out of control teaches nothing, and says so', () => {
    const known = [read(0), turned(2), read(100_000)];
    const { belief } = replayMarks(known, options);
    const deaf = replayMarks([...known, read(900_000, false)], options);
    expect(deaf.isInControl).toBe(false);
    expect(deaf.belief).toEqual(belief);
  });

  test('a vacuum is reckoned by its size', () => {
    const vacuum = { ...options, sign: -1 as const };
    const { dots } = replayMarks([read(-20_000)], vacuum);
    expect(dots[0]!.pressure).toBe(20_000);
  });

  test('after a turn it says what the gauge should read, and nothing before one', () => {
    expect(replayMarks([read(0)], options).foretold).toBeUndefined();
    const { foretold } = replayMarks([read(0), turned(2), read(100_000), turned(1)], options);
    expect(foretold!.mean).toBeGreaterThan(130_000);
    expect(foretold!.mean).toBeLessThan(180_000);
    expect(foretold!.low).toBeLessThan(foretold!.mean);
    expect(foretold!.high).toBeGreaterThan(foretold!.mean);
  });
});
