import { answerOf, answerText, toolSchema, type BenchUnits, type BenchValues } from './tool';
import { benchTools } from './tools';
import { absolutePa, printFigure, printQuantity } from '@holvek/core';
import { controller, electronic } from '@/testing/family-samples';
import { valve } from '@/testing/samples';

const units: BenchUnits = {
  barometer: absolutePa(101_325),
  pressure: 'kPa',
  flow: 'L/s',
  figure: (pa, resolution) => printFigure(pa, 'kPa', resolution),
  withUnit: (pa, resolution) => printQuantity(pa, 'kPa', resolution),
  flowWithUnit: (m3s) => printQuantity(m3s, 'L/s'),
};
const toolOf = (id: string) => benchTools.find((tool) => tool.id === id)!;
const ask = (id: string, values: BenchValues = {}) => answerOf(toolOf(id), values, units);
const say = (id: string, label: string, values: BenchValues = {}) => {
  const answer = ask(id, values);
  if ('trouble' in answer) return answer.trouble;
  return answer.rows.find(([name]) => name === label)?.[1];
};

describe('sums of the bench', () => {
  test.each<[string, BenchValues, string, string]>([
    ['units', { value: '30 psi' }, 'kPa', '206.84'],
    ['units', { kind: 'temperature', value: '68 °F' }, '°C', '20'],
    ['signal', { value: '12' }, '3 to 15 psi', '9 psi'],
    ['signal', { value: '12' }, '20 to 100 kPa', '60 kPa'],
    ['signal', { value: '16', from: '50', to: '100' }, 'Of its part', '50 %'],
    ['signal', { value: '8', action: 'reverse', air: 'close' }, 'Valve', '25 % open'],
    ['spring', { target: '520' }, 'Best: green', '100 to 700 kPa'],
    [
      'spring',
      { target: '5000' },
      'None will do',
      'the target lies outside every range: order the right spring',
    ],
    ['gauge', {}, 'Target lies at', '52 % of its range'],
    ['gauge', {}, 'Tolerance to error', '6.0 to 1'],
    ['switch', {}, 'Scale to', '550 kPa'],
    ['switch', { kind: 'subtractive' }, 'Scale to', '700 kPa'],
    ['switch', { kind: 'subtractive' }, 'Differential to', '150 kPa'],
    ['loop', {}, 'Drop of the cable', '0.48 V'],
    ['loop', {}, 'Left over', '3.52 V'],
    ['band', { band: '250' }, 'Gain', '0.4'],
    ['band', { reset: '0.1' }, 'Repeats a minute', '10'],
    ['turns', { now: '416', wanted: '520', rate: '208' }, 'Turn', '1/2 clockwise'],
    ['turns', { now: '600', wanted: '520', rate: '160' }, 'Turn', '1/2 anticlockwise'],
    ['turns', { made: '1 1/2, -1/4' }, 'Made so far', '1 1/4 clockwise'],
    ['column', { height: '1', reading: '100' }, 'At the tapping', '110 kPa'],
    ['air', { max: '32', altitude: '0', air: '20' }, 'Here about', '32 kPa'],
  ])('%s %j: %s is %s', (id, values, label, wanted) => expect(say(id, label, values)).toBe(wanted));

  test.each<[string, BenchValues, RegExp]>([
    ['units', { value: '12 mA' }, /unit of current/],
    ['signal', { from: '50', to: '50' }, /no span/],
    ['switch', { cut_in: '700', cut_out: '550' }, /above cut-in/],
    ['switch', { cut_in: '695' }, /least recommended/],
    ['band', { band: '0' }, /endless gain/],
    ['band', { reset: '0' }, /run away/],
    ['gauge', { high: '-5' }, /upside down/],
    ['spring', { springs: 'green' }, /name, then low-high/],
    ['turns', { made: 'two' }, /no number of turns/],
    ['loop', { length: '0' }, /above nothing/],
    ['column', { height: '' }, /type a figure/],
  ])('%s %j says what is wrong', (id, values, words) => {
    const answer = ask(id, values);
    expect('trouble' in answer && answer.trouble).toMatch(words);
  });

  test('a pressure may count from anything, a difference from nothing', () => {
    const here = answerOf(toolOf('column'), { reading: '2 barg', height: '0 m' }, units);
    const there = answerOf(toolOf('column'), { reading: '3.01325 bara', height: '0 m' }, units);
    expect('trouble' in here).toBe(false);
    expect(there).toEqual(here);
    expect(ask('turns', { rate: '5 psia' })).toEqual({
      trouble: expect.stringMatching(/difference/),
    });
  });

  test('every sum answers as it starts, and its answer can be copied', () => {
    for (const tool of benchTools) {
      const answer = answerOf(tool, {}, units);
      expect('trouble' in answer).toBe(false);
      expect(answerText(tool, answer).split('\n')[0]).toBe(tool.name);
    }
  });

  test('starts from the plate of a valve', () => {
    const given = toolOf('spring').fromValve?.(valve);
    const answer = answerOf(toolOf('spring'), { ...toolOf('spring').initial, ...given }, units);
    expect('rows' in answer && answer.rows[0]![0]).toBe('Best: green');
    expect(toolOf('switch').fromValve?.(valve)).toBeUndefined();
  });

  test('a loop and a band start from the plates that have them', () => {
    expect(toolOf('loop').fromValve?.(electronic)).toEqual({
      supply: '24',
      sensor: '11',
      load: '250',
      current: '20',
      length: '180',
      area: '0.75',
      temperature: '20',
    });
    expect(toolOf('band').fromValve?.(controller)).toEqual({ band: '40', reset: '0.1' });
    expect(toolOf('loop').fromValve?.(valve)).toBeUndefined();
    expect(toolOf('band').fromValve?.(valve)).toBeUndefined();
  });
});

describe('the fields of a sum', () => {
  const tool = toolOf('gauge');
  const wrongIn = (over: Readonly<Record<string, string>>) => {
    const read = toolSchema(tool, units).safeParse({ ...tool.initial, ...over });
    return read.success ? [] : read.error.issues.map(({ path }) => path.join());
  };
  const figure = tool.fields.find(({ kind }) => kind === 'pressure')!.key;
  test('say beside themselves what cannot be read; one that is empty is said with the answer', () => {
    expect(wrongIn({})).toEqual([]);
    expect(wrongIn({ [figure]: 'twelve' })).toEqual([figure]);
    expect(wrongIn({ [figure]: '3 L/s' })).toEqual([figure]);
    expect(wrongIn({ [figure]: '  ' })).toEqual([]);
    expect(wrongIn({ [figure]: '1'.repeat(201) })).toContain(figure);
  });
});
