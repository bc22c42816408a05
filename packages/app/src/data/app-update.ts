import { useSyncExternalStore } from 'react';

/** What a service worker's registration tells of a version that has come; the browser's own fits. */
export type Registration = Pick<ServiceWorkerRegistration, 'waiting' | 'installing'> & {
  readonly addEventListener: (type: 'updatefound', heard: () => void) => void;
};

/** A newer version of the page that has been fetched and waits to be taken. */
export class AppUpdate {
  private waiting: Pick<ServiceWorker, 'postMessage'> | undefined;
  private readonly listeners = new Set<() => void>();

  /** @param isControlled  whether an older version serves this page: the first one has nobody to wait for */
  constructor(private readonly isControlled: () => boolean) {}

  isWaiting = (): boolean => this.waiting !== undefined;
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Watches a registration for what comes. */
  watch(registration: Registration): void {
    const note = () => {
      if (!registration.waiting || !this.isControlled()) return;
      this.waiting = registration.waiting;
      for (const listener of this.listeners) listener();
    };
    note();
    registration.addEventListener('updatefound', () =>
      registration.installing?.addEventListener('statechange', note),
    );
  }

  /** Lets the newer version take over; the page is loaded anew by it. */
  take(): void {
    this.waiting?.postMessage({ type: 'SKIP_WAITING' });
  }
}

const workers = typeof navigator === 'undefined' ? undefined : navigator.serviceWorker;
export const appUpdate = new AppUpdate(() => Boolean(workers?.controller));

/** Keeps a copy of the page on this device, and watches for newer ones. Called once. */
export async function keepOfflineCopy(): Promise<void> {
  const wasControlled = Boolean(workers?.controller);
  workers?.addEventListener('controllerchange', () => {
    // The first copy takes the page over as it is; a newer one needs its own page.
    if (wasControlled) window.location.reload();
  });
  const registration = await workers?.register('/sw.js');
  if (registration) appUpdate.watch(registration);
}

export const useAppUpdate = (): boolean =>
  useSyncExternalStore(appUpdate.subscribe, appUpdate.isWaiting, appUpdate.isWaiting);
