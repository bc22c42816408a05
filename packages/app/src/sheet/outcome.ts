import { outcomeTone as toneOf, type SheetBody } from '@holvek/core';
import { pillTone } from '@/report/tones';
import type { Tone } from '@/ui/card';

/** Tone of what a sheet comes to, for its pill. */
export const outcomeTone = (body: Pick<SheetBody, 'outcome' | 'verdict'>): Tone =>
  pillTone(toneOf(body));
