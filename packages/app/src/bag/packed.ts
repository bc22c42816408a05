import { useSyncExternalStore } from 'react';
import { today } from '@/ui/local-day';

const KEY = 'holvek.packed';

/** What is ticked for each day of work: what was packed the evening before is packed in the morning. */
type Ticked = Readonly<Record<string, readonly string[]>>;

const nothing: ReadonlySet<string> = new Set();
const listeners = new Set<() => void>();
let seen:
  { readonly text: string | null; readonly byDay: Map<string, ReadonlySet<string>> } | undefined;

function stored(): string | null {
  try {
    return localStorage.getItem(KEY);
  } catch {
    return null;
  }
}

function read(day: string): ReadonlySet<string> {
  const text = stored();
  if (seen?.text !== text) seen = { text, byDay: new Map() };
  const known = seen.byDay.get(day) ?? keysOf(text, day);
  seen.byDay.set(day, known);
  return known;
}

/** What is ticked for a day; what somebody else has written there counts as nothing. */
export function keysOf(text: string | null, day = today()): ReadonlySet<string> {
  const keys = tickedOf(text)[day];
  return Array.isArray(keys) ? new Set(keys.map(String)) : nothing;
}

function tickedOf(text: string | null): Ticked {
  try {
    const kept: unknown = JSON.parse(text ?? 'null');
    return typeof kept === 'object' && kept !== null ? (kept as Ticked) : {};
  } catch {
    return {};
  }
}

/** Ticks a thing for a day, or takes the tick away; days that are over are forgotten. */
export function togglePacked(key: string, day = today()): void {
  const packed = new Set(read(day));
  if (!packed.delete(key)) packed.add(key);
  const kept = Object.entries(tickedOf(stored())).filter(([each]) => each >= today());
  try {
    localStorage.setItem(KEY, JSON.stringify({ ...Object.fromEntries(kept), [day]: [...packed] }));
  } catch {
    // Denied or full: a bag is packed without ticks.
  }
  for (const tell of listeners) tell();
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

export const usePacked = (day = today()): ReadonlySet<string> =>
  useSyncExternalStore(subscribe, () => read(day));
