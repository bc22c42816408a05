import { scoreOf, type Judged, type RunEvent, type Score } from '@holvek/core';

/** Where there are no workers, at once. */
export const scoreInWorker = async (
  events: readonly RunEvent[],
  judged: Judged,
): Promise<Score | undefined> => {
  const result = scoreOf(events, judged);
  return result.ok ? result.value : undefined;
};
