import type { Cause } from '../../coach';
import { reducingCauses } from '../reducing/causes';

type SharedId =
  | 'nut_tight'
  | 'off_spring'
  | 'reversed'
  | 'stiffer_or_softer'
  | 'air'
  | 'selector_off'
  | 'supply_low'
  | 'no_flow'
  | 'pilot_fast';

/** Causes that other families share with the reducing valve, word for word. */
export const sharedCauses = (...ids: readonly SharedId[]): readonly Cause[] =>
  reducingCauses.filter(({ id }) => (ids as readonly string[]).includes(id));

/** A cause with the evidence that most families gather, for short tables. */
export const cause = (
  given: Omit<Cause, 'likelihood'> & {
    readonly noChange: number;
    readonly likelihood?: Cause['likelihood'];
    readonly answers?: Cause['likelihood'][string];
  },
): Cause => {
  const { noChange, likelihood = {}, answers, ...rest } = given;
  const left = (1 - noChange) / 3;
  return {
    ...rest,
    likelihood: {
      answer: answers ?? {
        no_change: noChange,
        too_little: left * 2,
        too_much: left / 2,
        wrong_way: left / 2,
      },
      ...likelihood,
    },
  };
};

export const ask = (
  question: string,
  key: string,
  yes: [string, string],
  no: [string, string],
): NonNullable<Cause['check']> => ({
  ask: question,
  key,
  answers: [
    { say: yes[0], value: yes[1] },
    { say: no[0], value: no[1] },
  ],
});
