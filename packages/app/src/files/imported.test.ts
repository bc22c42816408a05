import { importedOf, isNews } from './imported';

test('what is new, what changes and what stays are told apart, whatever the order of its keys', () => {
  const row = (value: object, before?: object) => ({ value, before });
  const rows = [
    row({ id: 'a', n: 1 }),
    row({ id: 'b', n: 1 }, { n: 1, id: 'b' }),
    row({ id: 'c', n: 2 }, { id: 'c', n: 1 }),
  ];
  expect(rows.map(isNews)).toEqual([true, false, true]);
  const issues = [{ line: 5, column: 'n', code: 'x' }];
  const told = importedOf(rows, issues, (value) => (value as { id: string }).id);
  expect(told).toEqual({ kept: ['a', 'b', 'c'], fresh: ['a'], changed: ['c'], issues });
});
