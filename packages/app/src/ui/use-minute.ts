import { useEffect, useState } from 'react';

const MINUTE_MS = 60_000;

/** The time now, ms since 1970, anew each minute: for what runs on while it is looked at. */
export function useMinute(): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), MINUTE_MS);
    return () => clearInterval(timer);
  }, []);
  return now;
}
