import { absolutePa } from '@holvek/core';
import { act, renderHook } from '@testing-library/react';
import { Trace } from './trace';
import { useSettling } from './use-settling';
import { fakeLink } from '@/testing/fake-link';

/** A gauge of 2 kPa at a valve that answers with a time constant of 3 s. */
function answering() {
  const { link, say, see } = fakeLink();
  const trace = new Trace();
  trace.listen(link, absolutePa(101_325));
  const { result } = renderHook(() => useSettling(trace, 'outlet', 2000));
  const answer = (from: number, until: number, size: number) =>
    act(async () => {
      for (let t = from; t <= until; t += 0.5) {
        const kpa = 400 + size * (1 - Math.exp(-(t - from) / 3));
        say(`${2 * Math.round(kpa / 2)} kPa`, t);
      }
      see();
    });
  return { trace, result, answer };
}

describe('whether a linked gauge has come to rest', () => {
  test('is told sooner once a large move has shown how fast the valve is', async () => {
    const { trace, result, answer } = answering();
    await answer(0, 40, 100);
    expect(result.current!.state).toBe('settled');
    expect(Math.abs(trace.learnedOf('outlet')! - 3)).toBeLessThan(1);
    await act(async () => trace.disturb(Promise.resolve(40)));
    await answer(41.5, 58, 6);
    expect(result.current!.state).toBe('settled');
  });
  test('takes longer for a small move of a valve that has shown nothing', async () => {
    const { trace, result, answer } = answering();
    await answer(41.5, 58, 6);
    expect(result.current!.state).toBe('settling');
    expect(trace.learnedOf('outlet')).toBeUndefined();
  });
  test('is nothing where no gauge is linked', () => {
    expect(
      renderHook(() => useSettling(new Trace(), 'outlet', undefined)).result.current,
    ).toBeUndefined();
  });
});
