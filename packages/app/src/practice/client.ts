import { scoreOf, type RunEvent, type Score } from '@holvek/core';

/** Where there are no workers, at once. */
export const scoreInWorker = async (
  events: readonly RunEvent[],
  provedWell: boolean,
): Promise<Score | undefined> => {
  const result = scoreOf(events, provedWell);
  return result.ok ? result.value : undefined;
};
