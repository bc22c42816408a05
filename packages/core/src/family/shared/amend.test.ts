import type { Step } from '../../step';
import { amend } from './amend';

const step = (id: string): Step => ({ id, phase: 'ready', kind: 'check', say: id });
const steps = ['a', 'b', 'c', 'd'].map(step);
const ids = (amended: readonly Step[]) => amended.map(({ id }) => id).join('');

describe('a procedure amended', () => {
  test('by steps that are added, dropped, moved and changed', () => {
    expect(ids(amend(steps, [{ add: [step('x'), step('y')], after: 'b' }]))).toBe('abxycd');
    expect(ids(amend(steps, [{ drop: ['a', 'c'] }]))).toBe('bd');
    expect(ids(amend(steps, [{ move: ['d', 'a'], after: 'b' }]))).toBe('bdac');
    expect(amend(steps, [{ move: ['d'], after: 'a', phase: 'set' }])[1]).toEqual({
      ...step('d'),
      phase: 'set',
    });
    expect(amend(steps, [{ change: 'c', to: { say: 'new' } }])[2]!.say).toBe('new');
    expect(ids(steps)).toBe('abcd');
  });

  test('never by a step that is not there', () => {
    for (const amendment of [
      { add: [step('x')], after: 'z' },
      { drop: ['z'] },
      { move: ['z'], after: 'a' },
      { move: ['a'], after: 'z' },
      { change: 'z', to: {} },
    ])
      expect(() => amend(steps, [amendment])).toThrow('no step z to amend');
  });
});
