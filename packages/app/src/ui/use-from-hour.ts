import { useEffect, useState } from 'react';

/** ms until it is this hour today; 0 from then on. */
export function msUntilHour(hour: number, now: Date): number {
  const then = new Date(now);
  then.setHours(hour, 0, 0, 0);
  return Math.max(0, then.getTime() - now.getTime());
}

/** Whether it is this hour or later today: a page that was opened before learns it when it comes. */
export function useFromHour(hour: number): boolean {
  const [isThen, setThen] = useState(() => msUntilHour(hour, new Date()) === 0);
  useEffect(() => {
    const wait = msUntilHour(hour, new Date());
    const timer = setTimeout(() => setThen(true), wait);
    return () => clearTimeout(timer);
  }, [hour]);
  return isThen;
}
