import { familyNames, type ValveDraft } from '@holvek/core';
import { z } from 'zod';

const KEY = 'holvek.begun-valve';
const schema = z.object({
  shape: z.object({
    family: z.enum(familyNames as [string, ...string[]]),
    further: z.array(z.string()),
    springs: z.record(z.string(), z.number()),
  }),
  texts: z.record(z.string(), z.string()),
});

/** A valve that was begun on this phone and not kept yet; undefined where there is none, or it cannot be read. */
export function begunDraft(): ValveDraft | undefined {
  try {
    return schema.parse(JSON.parse(localStorage.getItem(KEY) ?? '')) as ValveDraft;
  } catch {
    return undefined;
  }
}

/** Keeps what has been written so far, or forgets it. A phone that keeps nothing loses only this. */
export function keepBegun(draft: ValveDraft | undefined): void {
  try {
    if (draft) localStorage.setItem(KEY, JSON.stringify(draft));
    else localStorage.removeItem(KEY);
  } catch {
    // Private windows and full phones: the form itself still stands.
  }
}
