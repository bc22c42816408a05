import { parseTrouble } from '@/words/trouble';
import type { LineError } from '@holvek/core';
import type { Units } from '@/units/use-units';
import type { LineState } from './line-gauge';

/** Why a line could not be read. */
export function lineErrorWords(error: LineError, units: Units): string {
  switch (error.code) {
    case 'line.too_long':
    case 'line.unmatched':
      return 'Its lines look otherwise: choose another way of speaking, or change the pattern.';
    case 'line.no_unit':
      return 'Its lines do not say their unit: enter it below.';
    case 'line.trouble':
      return `The gauge says “${error.says}”: look at it.`;
    default:
      return parseTrouble(error, units);
  }
}

/** What is wrong with a line, and that the run goes on by hand. */
export function lineTroubleWords(trouble: LineState['trouble'], units: Units): string | undefined {
  if (!trouble) return undefined;
  const byHand = ' Read it by eye meanwhile.';
  switch (trouble.code) {
    case 'line.silent':
      return `It has said nothing for ${Math.round(trouble.seconds)} s: cable, battery?${byHand}`;
    case 'line.gone':
      return `The line has gone. Link it again.${byHand}`;
    case 'line.simulated':
      return 'No gauge hangs at its end: what it says can be looked at here, and is read nowhere.';
    case 'line.frozen':
      return `It has said exactly the same for ${Math.round(trouble.seconds)} s: is it held, or its cock shut?${byHand}`;
    case 'line.over_range':
      return 'It says more than its range: take the pressure off it.';
    case 'line.unread':
      return lineErrorWords(trouble.error, units) + byHand;
  }
}
