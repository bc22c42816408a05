import { runView, type Run } from '@holvek/core';
import { pathAround } from './path-steps';
import { electronic, gas, runOf } from '@/testing/family-samples';

const ids = (steps: readonly { readonly id: string }[]) => steps.map(({ id }) => id);

/** A run in which some steps are done, and some left out. */
function walked(done: number, leftOut: readonly number[] = []): Run {
  const run = runOf(gas);
  const marked = run.steps.slice(0, done).map(({ id }, i) => ({ id, isOut: leftOut.includes(i) }));
  const part = (isOut: boolean) =>
    Object.fromEntries(marked.filter((each) => each.isOut === isOut).map(({ id }) => [id, true]));
  return { ...run, done: part(false), skipped: part(true) } as unknown as Run;
}

describe('the path around a step', () => {
  test('begins with nothing behind, and the next eight ahead', () => {
    const run = walked(0);
    const { behind, ahead, beyond } = pathAround(run, runView(run));
    const all = run.steps.filter(({ onlyIf }) => onlyIf === undefined);
    expect(behind).toEqual([]);
    expect(ids(ahead)).toEqual(ids(all.slice(1, 9)));
    expect(beyond).toBe(all.length - 9);
  });

  test('keeps the two that were passed last, done or left out, in their order', () => {
    const run = walked(4, [2]);
    const { behind } = pathAround(run, runView(run));
    expect(ids(behind)).toEqual(ids(run.steps.slice(2, 4)));
  });

  test('has no step that fell away by an answer', () => {
    const run = runOf(electronic);
    const only = run.steps.filter(({ onlyIf }) => onlyIf !== undefined);
    const before = run.steps.findIndex(({ id }) => id === only[0]?.id) - 1;
    const step = run.steps[before]!;
    const { ahead, behind } = pathAround(run, { step, passed: runView(run).passed });
    expect(only.length).toBeGreaterThan(0);
    for (const { id } of only) expect(ids([...ahead, ...behind])).not.toContain(id);
  });

  test('ends with nothing beyond, and is nothing without a step in hand', () => {
    const run = runOf(gas);
    const last = run.steps.at(-1)!;
    const atEnd = pathAround(run, { step: last, passed: () => false });
    expect(atEnd).toMatchObject({ ahead: [], beyond: 0 });
    expect(pathAround(run, { step: undefined, passed: () => true })).toEqual({
      behind: [],
      ahead: [],
      beyond: 0,
    });
  });
});
