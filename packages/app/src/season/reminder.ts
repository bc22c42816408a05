import { useEffect } from 'react';
import { changePreferences, usePreferences } from '@/prefs/preferences';

/** Whether this browser can remind anybody, and whether it may; `unknown` until it was asked. */
export type MayRemind = 'never' | 'unknown' | 'yes';

export function mayRemind(): MayRemind {
  if (!('Notification' in globalThis) || Notification.permission === 'denied') return 'never';
  return Notification.permission === 'granted' ? 'yes' : 'unknown';
}

/** Asks the person once; what he answered is kept on this phone. */
export async function wantReminders(): Promise<MayRemind> {
  const answer = await Notification.requestPermission();
  changePreferences({ isReminded: answer === 'granted' });
  return mayRemind();
}

const KEY = 'holvek.reminded';
const remindedOf = (): string | null => {
  try {
    return localStorage.getItem(KEY);
  } catch {
    return null;
  }
};
const keepReminded = (day: string): void => {
  try {
    localStorage.setItem(KEY, day);
  } catch {
    // A phone that keeps nothing may say it twice.
  }
};

/** Through the page's worker where there is one: then a press on it comes back to the page, and phones allow it. */
async function show(title: string, body: string): Promise<void> {
  const options = { body, tag: 'holvek.next-day', icon: '/icon-192.png' };
  // oxlint-disable-next-line typescript/no-unnecessary-condition -- absent where the page is not in a secure context
  const worker = await navigator.serviceWorker?.getRegistration();
  if (worker) await worker.showNotification(title, options);
  else new Notification(title, options);
}

/** Tells of the next day once, the evening before, where the person wants it; while this page lives, seen or not. */
export function useReminder(day: string, title: string, body: string): void {
  const { isReminded } = usePreferences();
  useEffect(() => {
    if (!isReminded || mayRemind() !== 'yes' || remindedOf() === day) return;
    keepReminded(day);
    // A browser that lets it be has said nothing of the day that is not on the page too.
    void show(title, body).catch(() => undefined);
  }, [isReminded, day, title, body]);
}
