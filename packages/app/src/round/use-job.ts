import type { Job } from '@holvek/core';
import { useState } from 'react';
import { useRounds } from '@/data/queries';
import { usePreferences } from '@/prefs/preferences';

/** The job of the round in hand, where the valve is one of it, else of its latest; or what was told here instead. */
export function useJob(
  valveId: string,
): readonly [Job | undefined, (job: Job | undefined) => void] {
  const { round: chosen } = usePreferences();
  const rounds = (useRounds().data ?? [])
    .filter(({ archived, valve_ids: ids }) => !archived && ids.includes(valveId))
    .sort((a, b) => b.day.localeCompare(a.day));
  const round = rounds.find(({ id }) => id === chosen) ?? rounds[0];
  const [own, setOwn] = useState<{ readonly job: Job | undefined }>();
  return [own ? own.job : round?.job, (job) => setOwn({ job })];
}
