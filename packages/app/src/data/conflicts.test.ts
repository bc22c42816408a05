import { differencesOf } from './conflicts';

describe('in what two versions differ', () => {
  test('is said place by place, however deep', () => {
    const theirs = { tag: 'PRV-1', target: { set_point_pa: 5, why: 'a' }, list: [1, 2] };
    const mine = { tag: 'PRV-1', target: { set_point_pa: 6, why: 'a' }, list: [1, 3, 4] };
    expect(differencesOf(theirs, mine)).toEqual([
      { path: ['target', 'set_point_pa'], theirs: 5, mine: 6 },
      { path: ['list', '1'], theirs: 2, mine: 3 },
      { path: ['list', '2'], theirs: undefined, mine: 4 },
    ]);
  });

  test('what only one of them has counts; what is the same does not', () => {
    expect(differencesOf({ a: 1 }, { a: 1, b: null })).toEqual([
      { path: ['b'], theirs: undefined, mine: null },
    ]);
    expect(differencesOf({ a: [{ b: 1 }] }, { a: [{ b: 1 }] })).toEqual([]);
  });
});
