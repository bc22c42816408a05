import { flowUnits, may, pressureUnits, roles, whoMay, type HouseAction } from '@holvek/core';
import { useSyncExternalStore } from 'react';
import { z } from 'zod';

/** What one person on one phone has chosen. */
export const preferencesSchema = z.object({
  pressureUnit: z.enum(pressureUnits).catch('kPa'),
  flowUnit: z.enum(flowUnits).catch('L/s'),
  theme: z.enum(['system', 'light', 'dark']).catch('system'),
  /** Letters, in per cent of what the browser has for ordinary. */
  textPercent: z.enum(['100', '115', '130', '150']).catch('100'),
  /** Who is signed in here; without a network, who was when there was one. */
  technician: z.string().max(80).catch(''),
  role: z.enum(roles).catch('viewer'),
  /**
   * Who says who is here: the server, by its session; this phone, by a PIN that it knew again without a
   * network; or nobody, since it was locked without one.
   */
  hand: z.enum(['session', 'here', 'nobody']).catch('session'),
  /** How many times faster than real time a simulated valve lives from the start. */
  twinSpeed: z.number().min(1).max(60).catch(1),
  /** Hands full: spoken, large, by a clicker. */
  isSpoken: z.boolean().catch(false),
  isLarge: z.boolean().catch(false),
  hasClicker: z.boolean().catch(false),
  /** Told of the next day the evening before. */
  isReminded: z.boolean().catch(false),
  /** The round that is open. */
  round: z.string().max(64).catch(''),
});
export type Preferences = z.infer<typeof preferencesSchema>;

const KEY = 'holvek.preferences';
const listeners = new Set<() => void>();
let current = load();

function load(): Preferences {
  let stored: unknown = {};
  try {
    // oxlint-disable-next-line typescript/no-unnecessary-condition -- absent where storage is denied
    stored = JSON.parse(globalThis.localStorage?.getItem(KEY) ?? '{}');
  } catch {
    // A broken entry counts as none: every field has its default.
  }
  return preferencesSchema.parse(typeof stored === 'object' && stored !== null ? stored : {});
}

export function changePreferences(change: Partial<Preferences>): void {
  current = { ...current, ...change };
  try {
    // oxlint-disable-next-line typescript/no-unnecessary-condition -- absent where storage is denied
    globalThis.localStorage?.setItem(KEY, JSON.stringify(current));
  } catch {
    // Storage full: the choice holds until the tab closes.
  }
  for (const listener of listeners) listener();
}

export const preferences = (): Preferences => current;

export const usePreferences = (): Preferences =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => current,
    () => current,
  );

/** Whether the one who is signed in may do this, and who may where he may not. */
export function useMay(action: HouseAction): { readonly may: boolean; readonly needs: string } {
  const { role } = usePreferences();
  return { may: may(role, action), needs: whoMay(action) };
}
