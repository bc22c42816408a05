import { useEffect, useState } from 'react';

/** Seconds that are left of a wait, on the machine's running time: setting the clock changes nothing. */
export function useCountdown(seconds: number, isRunning: boolean): number {
  const [left, setLeft] = useState(seconds);
  useEffect(() => {
    if (!isRunning) return undefined;
    const start = performance.now();
    const timer = setInterval(
      () => setLeft(Math.max(0, seconds - (performance.now() - start) / 1000)),
      200,
    );
    return () => clearInterval(timer);
  }, [isRunning, seconds]);
  return left;
}
