import { readStepCsv } from './step-csv';

describe('a step test as a table', () => {
  test('columns by their header, in any order, with decimal commas', () => {
    const read = readStepCsv('process value;time;valve output\n50,1;0;40\n50,2;1;45\n');
    expect(read.ok && read.value.samples).toEqual([
      { t: 0, output: 40, value: 50.1 },
      { t: 1, output: 45, value: 50.2 },
    ]);
  });

  test('without a header: time, output, value; wrong rows are named', () => {
    const read = readStepCsv('\uFEFF0,40,50\n1,forty,50\n2,45,51\n');
    expect(read.ok && read.value).toEqual({
      samples: [
        { t: 0, output: 40, value: 50 },
        { t: 2, output: 45, value: 51 },
      ],
      leftOut: [2],
    });
  });

  test.each([
    ['', 'step.empty'],
    ['1;2\n3;4', 'step.three_columns_wanted'],
  ])('%j is refused', (text, code) => {
    expect(readStepCsv(text)).toMatchObject({ ok: false, error: { code } });
  });
});
