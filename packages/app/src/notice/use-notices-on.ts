import { noticesOn, type Notice } from '@holvek/core';
import { useEffect, useState } from 'react';
import { useNotices } from '@/data/queries';

const none: readonly Notice[] = [];
const LOOK_EVERY_MS = 30_000;

/** What hangs on a valve now; what has an hour goes by itself. */
export function useNoticesOn(valveId: string): readonly Notice[] {
  const all = useNotices().data ?? none;
  const [now, setNow] = useState(() => Date.now());
  const hasHour = all.some(({ valve_id: id, until_ms: until }) => id === valveId && until);
  useEffect(() => {
    if (!hasHour) return undefined;
    const timer = setInterval(() => setNow(Date.now()), LOOK_EVERY_MS);
    return () => clearInterval(timer);
  }, [hasHour]);
  return noticesOn(all, valveId, now);
}
