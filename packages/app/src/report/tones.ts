import type { Tone } from '@holvek/core';
import type { Tone as PillTone } from '@/ui/card';

export const pillTone = (tone: Tone): PillTone => (tone === 'plain' ? 'quiet' : tone);

const colours = {
  good: '$verdigrisDeep',
  work: '$brass',
  stop: '$vermilion',
  quiet: '$muted',
  plain: '$color',
} as const satisfies Record<Tone, string>;
/** Colour of words that carry a tone; the words say it too. */
export const wordColour = (tone: Tone = 'plain') => colours[tone];
