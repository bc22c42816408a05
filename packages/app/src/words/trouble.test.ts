import { printFigure, printQuantity, type GuardOutcome } from '@holvek/core';
import { plateTrouble } from './plate-trouble';
import { eventTrouble, findingWords, guardTrouble, parseTrouble, refusalWords } from './trouble';
import type { Units } from '@/units/use-units';

const units: Units = {
  pressure: 'kPa',
  flow: 'L/s',
  figure: (pa, step) => printFigure(pa, 'kPa', step),
  withUnit: (pa, step) => printQuantity(pa, 'kPa', step),
  flowWithUnit: (q) => printQuantity(q, 'L/s'),
};

describe('what went wrong, in a technician’s words', () => {
  test.each([
    [
      parseTrouble(
        { code: 'quantity.wrong_kind', unit: 'L/s', wanted: 'pressure', got: 'flow' },
        units,
      ),
      'L/s is a unit of flow; a pressure is asked for.',
    ],
    [
      parseTrouble({ code: 'quantity.ambiguous_number', text: '1,180' }, units),
      /1,180 can be read two ways/,
    ],
    [
      eventTrouble({ code: 'run.beyond_gauge', asks: true, gauge: 'G-12' }, units),
      'That is beyond G-12’s range. Typed right?',
    ],
    [
      eventTrouble({ code: 'run.open_ends_left', openEnds: ['Cap off', 'Drain open'] }, units),
      'Not put back yet: Cap off; Drain open.',
    ],
    [eventTrouble({ code: 'storage.full' }, units), /nothing was recorded/],
    [
      plateTrouble(
        {
          code: 'valve.target_outside_spring',
          stops: true,
          colour: 'white',
          from: 2e4,
          to: 18e4,
          wouldDo: ['green'],
        },
        units,
      ),
      'The white spring holds 20 kPa to 180 kPa. Fit the green one.',
    ],
    [
      plateTrouble(
        {
          code: 'valve.target_outside_spring',
          stops: true,
          colour: 'white',
          from: 2e4,
          to: 18e4,
          wouldDo: [],
        },
        units,
      ),
      /order the right one/,
    ],
    [findingWords({ code: 'gauge.tur_too_low', tur: 1.53 }, units), /1.5 times/],
    [refusalWords('run.already_signed'), /signed elsewhere/],
    [refusalWords('something.new'), 'something.new'],
  ])('%s', (said, wanted) => {
    if (typeof wanted === 'string') expect(said).toBe(wanted);
    else expect(said).toMatch(wanted);
  });

  test.each<[GuardOutcome, RegExp]>([
    [
      { state: 'unmet', guard: 'inlet_above_target', have: 5.6e5, want: 6e5 },
      /reads 560 kPa.*600 kPa or more/,
    ],
    [{ state: 'unknown', guard: 'flow_above_min' }, /Say how much flows/],
    [{ state: 'unmet', guard: 'no_open_ends', have: 3, want: 0 }, /3 open ends/],
    [{ state: 'met', guard: 'no_open_ends' }, /^$/],
  ])('a guard that does not hold says what to do', (guard, wanted) => {
    expect(guardTrouble(guard, units)).toMatch(wanted);
  });
});
