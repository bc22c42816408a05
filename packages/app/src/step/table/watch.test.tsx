import { absolutePa } from '@holvek/core';
import { act, screen } from '@testing-library/react';
import { Trace } from '@/gauge-link/trace';
import { fakeLink } from '@/testing/fake-link';
import { gas, runOf } from '@/testing/family-samples';
import { press, show } from '@/testing/show-step';

/** The step with a gauge that says what it is told to, and what has been entered. */
function watching(add?: () => Promise<boolean>) {
  const { link, say: sayLine, see } = fakeLink();
  const trace = new Trace();
  trace.listen(link, absolutePa(101_325));
  const added = show(runOf(gas), 'no_flow', {
    trace,
    isLinked: true,
    ...(add ? { add } : {}),
  });
  const say = (from: number, until: number) =>
    act(async () => {
      for (let t = from; t <= until; t += 0.5) sayLine(`${2 + t / 1000} kPa`, t);
      see();
    });
  return { added, say };
}
const readings = (added: readonly unknown[]) =>
  added as readonly {
    readonly elapsed_s: number;
    readonly between: readonly { readonly t_s: number; readonly si: number }[];
  }[];

describe('a watch by a linked gauge', () => {
  test('enters a reading when one is due, with a value a second of what was said between', async () => {
    const { added, say } = watching();
    await say(0, 5);
    expect(added).toHaveLength(0);
    await press('Start watching');
    expect(readings(added)).toMatchObject([{ elapsed_s: 0, between: [] }]);
    await say(5.5, 9);
    expect(added).toHaveLength(1);
    await say(9.5, 12.5);
    expect(added).toHaveLength(2);
    const [, second] = readings(added);
    expect(second!.elapsed_s).toBe(7.5);
    expect(second!.between.map(({ t_s }) => t_s)).toEqual([1, 2, 3, 4, 5, 6, 7]);
    expect(second!.between[0]!.si).toBeCloseTo(2006, 6);
  });

  test('a reading that could not be entered is tried again with what comes next', async () => {
    let tries = 0;
    const { say } = watching(async () => (tries += 1) > 1);
    await say(0, 5);
    await press('Start watching');
    expect(tries).toBe(1);
    await say(5.5, 5.5);
    expect(tries).toBe(2);
    await say(6, 6);
    expect(tries).toBe(2);
  });

  test('says how long it has watched', async () => {
    const { say } = watching();
    await say(0, 5);
    await press('Start watching');
    expect(screen.getByTestId('watch').textContent).toBe('Watching, 0 of 60 s');
  });
});
