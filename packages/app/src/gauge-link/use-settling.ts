import type { Settling } from '@holvek/core';
import { useEffect, useMemo } from 'react';
import type { SeenRole } from './gauge-link';
import { traceSettling, useTrace, type Trace } from './trace';

/**
 * Whether a linked gauge has come to rest. How fast this valve does is remembered from its larger moves,
 * so that the smaller ones after them are told sooner.
 *
 * @param resolution  readable division of the gauge, in the unit of its role; undefined where nothing is linked
 */
export function useSettling(
  trace: Trace,
  role: SeenRole,
  resolution: number | undefined,
): Settling | undefined {
  const seen = useTrace(trace);
  const state = useMemo(
    () =>
      resolution === undefined
        ? undefined
        : traceSettling(seen, role, { resolution_pa: resolution }, trace.learnedOf(role)),
    [seen, role, resolution, trace],
  );
  const shown = state?.state === 'settled' ? state.timeConstant : undefined;
  useEffect(() => {
    if (shown !== undefined) trace.learn(role, shown);
  }, [shown, role, trace]);
  return state;
}
