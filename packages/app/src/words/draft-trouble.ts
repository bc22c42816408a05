import type { DraftError } from '@holvek/core';
import type { Units } from '@/units/use-units';
import { parseTrouble } from '@/words/trouble';

/** What is wrong with a field of a new valve, and what to do about it. */
export function draftTrouble(error: DraftError, units: Units): string {
  switch (error.code) {
    case 'register.missing':
      return 'Still to be read off.';
    case 'register.no_choice':
      return 'Choose one.';
    case 'register.no_place':
      return 'No place of this register is called so.';
    case 'register.no_number':
      return `A plain number in ${error.unit} is wanted.`;
    case 'register.out_of_range':
      return `No plate says so: ${error.say}.`;
    case 'register.tag_taken':
      return `${error.tag} is in the register already.`;
    default:
      return parseTrouble(error, units);
  }
}
