import { useEffect, useState } from 'react';

/** Whole seconds left of a wait that began at a moment; counts down by itself. */
export function useWait(since: number | undefined, seconds: number): number {
  const [now, setNow] = useState(() => Date.now());
  const gone = since === undefined ? seconds : Math.max(0, now - since) / 1000;
  useEffect(() => {
    if (since === undefined) return undefined;
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, [since]);
  return Math.max(0, Math.ceil(seconds - gone));
}
