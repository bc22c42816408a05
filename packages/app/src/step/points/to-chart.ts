import type { TakenPoint } from '@holvek/core';

/** A point as the chart of errors wants it. */
export const toChart = ({
  at,
  direction,
  share,
}: Pick<TakenPoint, 'at' | 'direction' | 'share'>) => ({
  at,
  direction,
  error: share - at,
});
