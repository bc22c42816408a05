import type { CountersignState, Duty } from '@holvek/core';
import type { Tone } from '@/ui/card';

export const dutyWords: Readonly<Record<Duty, string>> = {
  gas: 'Gas',
  fire: 'Fire',
  safety: 'Safety',
  process: 'Process',
  comfort: 'Comfort',
};

/** What stands beside a sheet in a list; nothing where nobody wants a second signature. */
export const countersignPill: {
  readonly [K in CountersignState['kind']]:
    { readonly say: string; readonly tone: Tone } | undefined;
} = {
  not_wanted: undefined,
  wanted: { say: 'to be countersigned', tone: 'work' },
  sent_back: { say: 'sent back', tone: 'stop' },
  agreed: undefined,
};
