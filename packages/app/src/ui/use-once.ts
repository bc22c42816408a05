import { useRef } from 'react';

/**
 * Work that two quick presses do once: the second, before the first is done, is none. What a press starts may wait for a
 * form to look at itself, so that a key cannot be greyed in time.
 */
export function useOnce(work: () => Promise<unknown>): () => Promise<void> {
  const isBusy = useRef(false);
  return async () => {
    if (isBusy.current) return;
    isBusy.current = true;
    try {
      await work();
    } finally {
      isBusy.current = false;
    }
  };
}
