import { outcomeTone as toneOf } from '@holvek/core';
import { pillTone } from '@/report/tones';
import type { Tone } from '@/ui/card';

/** Tone of what a sheet comes to, for its pill. */
export const outcomeTone = (visit: Parameters<typeof toneOf>[0]): Tone => pillTone(toneOf(visit));
