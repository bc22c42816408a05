import { inSeconds } from '../quantity';
import { isSwingingOut, swingOf } from './swings';

const RESOLUTION = 10;
/** A reading every half second, from a function of the time. */
const record = (seconds: number, value: (t: number) => number) =>
  Array.from({ length: seconds * 2 }, (_, i) => ({ t: i / 2, value: value(i / 2) }));
/** Past its level, back, and on: 0 to 100, back to 60, up to 90. */
const overshoot = (t: number) =>
  t < 6 ? (100 * t) / 6 : t < 10 ? 100 - 10 * (t - 6) : Math.min(90, 60 + 5 * (t - 10));

describe('an answer that went past its level', () => {
  test('is watched on for twice as long as its swing took', () => {
    // Its lowest point lies at 10 s, its highest at 6 s: the last turn counts.
    expect(isSwingingOut(record(20, overshoot), inSeconds(0), RESOLUTION)).toBe(true);
    expect(isSwingingOut(record(29, overshoot), inSeconds(0), RESOLUTION)).toBe(true);
    expect(isSwingingOut(record(32, overshoot), inSeconds(0), RESOLUTION)).toBe(false);
  });

  test('begins to count when the answer began', () => {
    expect(isSwingingOut(record(24, overshoot), inSeconds(4), RESOLUTION)).toBe(false);
  });

  test('one that only rises does not swing, and neither does noise', () => {
    const rise = record(20, (t) => 100 * (1 - Math.exp(-t / 3)));
    expect(isSwingingOut(rise, inSeconds(0), RESOLUTION)).toBe(false);
    const noisy = record(20, (t) => 100 + (Math.round(t * 2) % 2 === 0 ? 9 : -9));
    expect(isSwingingOut(noisy, inSeconds(0), RESOLUTION)).toBe(false);
  });
});

describe('hunting', () => {
  test('is to and fro by more than six divisions, of late', () => {
    const hunt = record(30, (t) => 100 + 60 * Math.sin(t));
    expect(swingOf(hunt, RESOLUTION)).toBeGreaterThan(110);
    const once = record(60, (t) => (t < 20 ? hunt[Math.round(t * 2)]!.value : 100));
    expect(swingOf(once, RESOLUTION)).toBeUndefined();
    expect(
      swingOf(
        record(30, (t) => 100 + 25 * Math.sin(t)),
        RESOLUTION,
      ),
    ).toBeUndefined();
  });
});
