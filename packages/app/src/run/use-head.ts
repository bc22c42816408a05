import { headAt, type Gauge } from '@holvek/core';
import { useDesk } from './use-desk';

/** What is added to all that a gauge of the run in hand shows, for the column between it and its tapping, Pa. */
export function useHead(gauge: Gauge | undefined): number {
  const { run } = useDesk();
  return headAt(run.started.plate, gauge);
}
