import { useSyncExternalStore } from 'react';
import { z } from 'zod';

/** What one person on one phone has chosen. */
export const preferencesSchema = z.object({
  pressureUnit: z.enum(['kPa', 'bar', 'mbar', 'psi', 'MPa', 'kgf/cm2', 'mH2O']).catch('kPa'),
  flowUnit: z.enum(['L/s', 'L/min', 'm3/h', 'gpm']).catch('L/s'),
  theme: z.enum(['system', 'light', 'dark']).catch('system'),
  technician: z.string().max(80).catch(''),
  /** How many times faster than real time a simulated valve lives from the start. */
  twinSpeed: z.number().min(1).max(60).catch(1),
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
    // eslint-disable-next-line @typescript-eslint/no-unnecessary-condition -- absent where storage is denied
    stored = JSON.parse(globalThis.localStorage?.getItem(KEY) ?? '{}');
  } catch {
    // A broken entry counts as none: every field has its default.
  }
  return preferencesSchema.parse(typeof stored === 'object' && stored !== null ? stored : {});
}

export function changePreferences(change: Partial<Preferences>): void {
  current = { ...current, ...change };
  try {
    // eslint-disable-next-line @typescript-eslint/no-unnecessary-condition -- absent where storage is denied
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
