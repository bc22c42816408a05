import type { Role } from '@holvek/core';
import { Refusal } from '@/data/api';
import { refusalWords } from '@/words/trouble';

export const roleWords: { readonly [R in Role]: string } = {
  viewer: 'looks and practises',
  technician: 'sets and signs',
  supervisor: 'decides what is to be set',
  owner: 'decides everything',
};

/** Why somebody was not let in, or something was not changed. */
export function personTrouble(error: unknown): string {
  if (!(error instanceof Refusal))
    return 'The server cannot be reached. Nothing was changed; try again where there is a network.';
  const { seconds } = (error.detail ?? {}) as { readonly seconds?: number };
  if (error.code === 'person.try_later')
    return `Too many wrong tries under this name. The next one counts in ${seconds} s.`;
  return refusalWords(error.code);
}
