import { useRef } from 'react';

/**
 * Work that two quick presses do once: the second, before the first is done, is none. What a press starts may wait for a
 * form to look at itself, so that a key cannot be greyed in time.
 */
export function useOnce<Given extends readonly unknown[]>(
  work: (...given: Given) => Promise<unknown>,
): (...given: Given) => Promise<void> {
  const isBusy = useRef(false);
  return async (...given) => {
    if (isBusy.current) return;
    isBusy.current = true;
    try {
      await work(...given);
    } finally {
      isBusy.current = false;
    }
  };
}
