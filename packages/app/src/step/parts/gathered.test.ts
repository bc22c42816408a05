import type { Step, ValveVisit } from '@holvek/core';
import { gatheredAfter, isPractised } from './gathered';

const step = (id: string, kind: Step['kind'], phase: Step['phase'] = 'ready') =>
  ({ id, kind, phase, say: id }) as Step;
const visit = (technician: string | undefined, family = 'reducing', rehearsal = false) =>
  ({ body: { technician, plate: { family }, rehearsal } }) as unknown as ValveVisit;

describe('what a practised hand sees together', () => {
  const path = [
    step('caution', 'caution'),
    step('permit', 'check'),
    step('arrow', 'check'),
    step('gauges', 'act'),
    step('seal', 'check'),
  ];
  const after = (at: number) => gatheredAfter(path[at], path.slice(at + 1)).map(({ id }) => id);

  test('the cautions and checks that follow, up to the next thing that is done', () => {
    expect(after(0)).toEqual(['permit', 'arrow']);
    expect(after(2)).toEqual([]);
    expect(after(4)).toEqual([]);
  });

  test('nothing while something is being done, and nothing of another phase', () => {
    expect(after(3)).toEqual([]);
    const next = [step('a', 'check'), step('b', 'check', 'line_up')];
    expect(gatheredAfter(next[0], next.slice(1))).toEqual([]);
    expect(gatheredAfter(undefined, next)).toEqual([]);
  });

  test('all that is left, where nothing else follows', () => {
    const last = [step('a', 'check'), step('b', 'check')];
    expect(gatheredAfter(last[0], last.slice(1))).toEqual(last.slice(1));
  });
});

describe('who is practised', () => {
  const own = { hand: 'Ines', family: 'reducing' };
  const three = [visit('Ines'), visit('Ines'), visit('Ines')];
  test('whoever has signed as many records of the family as the house wants', () => {
    expect(isPractised(three, own, { practised_after: 3 })).toBe(true);
    expect(isPractised(three, own, { practised_after: 4 })).toBe(false);
    expect(isPractised(three, { ...own, hand: 'Tomas' }, { practised_after: 3 })).toBe(false);
    expect(isPractised(three, { ...own, family: 'gas' }, { practised_after: 3 })).toBe(false);
  });

  test('practice does not count, nor what was signed before hands were told', () => {
    const two = three.slice(1);
    for (const more of [visit('Ines', 'reducing', true), visit(undefined), visit('Ines', 'gas')])
      expect(isPractised([...two, more], own, { practised_after: 3 })).toBe(false);
  });

  test('nobody, where the owner forbids it or nothing was said', () => {
    expect(isPractised(three, own, { practised_after: 0 })).toBe(false);
    expect(isPractised(three, own, {})).toBe(false);
    expect(isPractised([visit('')], { ...own, hand: '' }, { practised_after: 1 })).toBe(false);
  });
});
