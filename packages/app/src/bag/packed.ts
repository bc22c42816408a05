import { useSyncExternalStore } from 'react';
import { today } from '@/ui/local-day';

const KEY = 'holvek.packed';

/** What is packed, by the day: tomorrow the bag is looked through anew. */
type Packed = { readonly day: string; readonly keys: readonly string[] };

const listeners = new Set<() => void>();
let seen: { readonly text: string | null; readonly packed: ReadonlySet<string> } | undefined;

function stored(): string | null {
  try {
    return localStorage.getItem(KEY);
  } catch {
    return null;
  }
}

function read(): ReadonlySet<string> {
  const text = stored();
  if (seen?.text === text) return seen.packed;
  seen = { text, packed: keysOf(text) };
  return seen.packed;
}

/** A list of another day, or what somebody else has written there, counts as nothing packed. */
export function keysOf(text: string | null, day = today()): ReadonlySet<string> {
  try {
    const kept = JSON.parse(text ?? 'null') as Packed | null;
    return new Set(kept?.day === day ? kept.keys.map(String) : []);
  } catch {
    return new Set();
  }
}

/** Packs a thing, or takes it out again. */
export function togglePacked(key: string): void {
  const packed = new Set(read());
  if (!packed.delete(key)) packed.add(key);
  const kept: Packed = { day: today(), keys: [...packed] };
  try {
    localStorage.setItem(KEY, JSON.stringify(kept));
  } catch {
    // Denied or full: a bag is packed without ticks.
  }
  for (const tell of listeners) tell();
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

export const usePacked = (): ReadonlySet<string> => useSyncExternalStore(subscribe, read);
