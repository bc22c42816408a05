import { useEffect } from 'react';
import { api, Refusal, Unreachable } from './api';
import { outbox, pullRun, shelf } from './store';

/** How often it is looked whether others have entered something, ms. */
const LOOK_EVERY_MS = 1500;

/** While a run is on screen, what others enter in it comes in by itself. */
export function useOthersEntries(runId: string, isOpen: boolean): void {
  useEffect(() => {
    if (!isOpen) return undefined;
    let isLooking = false;
    const timer = setInterval(() => {
      if (isLooking || document.hidden || !outbox.snapshot().isReachable) return;
      isLooking = true;
      void look(runId).finally(() => (isLooking = false));
    }, LOOK_EVERY_MS);
    return () => clearInterval(timer);
  }, [runId, isOpen]);
}

/** Run id → how many entries the server had when it was fetched last. */
const fetchedAt = new Map<string, number>();

/** Fetches a run when the server has entries that are not here; once for each number of them. */
export async function look(runId: string): Promise<void> {
  try {
    const { entries } = await api.runSize(runId);
    const own = shelf.snapshot().get(runId)?.events.length ?? 0;
    const isKnown = entries === own - (await outbox.waitingOf(runId));
    // A refused entry that was let go of stays here and never comes to be there.
    if (entries === 0 || isKnown || fetchedAt.get(runId) === entries) return;
    await pullRun(runId);
    fetchedAt.set(runId, entries);
  } catch (error) {
    // Without a network there is nothing to fetch; a bug of ours is not called that.
    if (!(error instanceof Refusal) && !(error instanceof Unreachable)) throw error;
  }
}
