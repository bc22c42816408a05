import { renderHook } from '@testing-library/react';
import { useOnce } from './use-once';

test('a second press before the first is done is none; afterwards it counts, also after a failure', async () => {
  const ends: ((error?: Error) => void)[] = [];
  const work = jest.fn(
    () =>
      new Promise<void>((done, failed) => {
        ends.push((error) => (error ? failed(error) : done()));
      }),
  );
  const { result } = renderHook(() => useOnce(work));
  const first = result.current();
  void result.current();
  expect(work).toHaveBeenCalledTimes(1);
  ends[0]!();
  await first;
  const second = result.current();
  expect(work).toHaveBeenCalledTimes(2);
  ends[1]!(new Error('no'));
  await expect(second).rejects.toThrow('no');
  void result.current();
  expect(work).toHaveBeenCalledTimes(3);
});
