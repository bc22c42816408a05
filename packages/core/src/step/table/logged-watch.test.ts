import { unwrap } from '../../result';
import { watchFromLog } from './logged-watch';

/** A log of a sample every so many seconds, whose pressure is its time. */
const logOf = (seconds: number, every = 1) =>
  Array.from({ length: Math.floor(seconds / every) + 1 }, (_, i) => ({
    t: i * every,
    value: 500_000 + i * every,
  }));
const window = { from: 100, least: 60, longest: 180, rows: 5 };

describe('a watch from a log', () => {
  test('is the part that begins where nothing flows, and ends at its longest', () => {
    const readings = unwrap(watchFromLog(logOf(600), window));
    expect(readings.map(({ elapsed_s: t }) => t)).toEqual([0, 45, 90, 135, 180]);
    expect(readings.map(({ si }) => si)).toEqual([500_100, 500_145, 500_190, 500_235, 500_280]);
    expect(readings[0]!.between).toEqual([]);
    expect(readings[1]!.between).toHaveLength(44);
    expect(readings[1]!.between[0]).toEqual({ t_s: 1, si: 500_101 });
    expect(readings[4]!.between.at(-1)).toEqual({ t_s: 179, si: 500_279 });
  });

  test('keeps a value a second, however fast it was logged, and its very last', () => {
    const [, second] = unwrap(
      watchFromLog(logOf(600, 0.25), { ...window, rows: 2, longest: 60.5 }),
    );
    expect(second!.between.map(({ t_s: t }) => t)).toEqual(
      Array.from({ length: 60 }, (_, i) => i + 1),
    );
    expect(second!.elapsed_s).toBe(60.5);
  });

  test('of hours keeps a thousand values', () => {
    const hours = { ...window, from: 0, longest: 36_000, rows: 2 };
    expect(unwrap(watchFromLog(logOf(36_000), hours))[1]!.between).toHaveLength(999);
  });

  test('begins with the log where that began later', () => {
    const readings = unwrap(watchFromLog(logOf(70), { ...window, from: -30 }));
    expect(readings.at(-1)!.elapsed_s).toBe(70);
  });

  test.each([
    ['too short a time', logOf(159), 59],
    ['too few samples', logOf(600, 60), 180],
    ['nothing of it', logOf(50), 0],
  ])('is refused where the log holds %s', (_, log, have) => {
    const wanted = { ...window, from: have === 180 ? 60 : 100 };
    expect(watchFromLog(log, wanted)).toEqual({
      ok: false,
      error: { code: 'log.watch_too_short', have, want: 60 },
    });
  });

  test('just long enough is enough', () => {
    expect(watchFromLog(logOf(160), window).ok).toBe(true);
  });
});
