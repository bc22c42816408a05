import type { Gauge, GaugeRole } from '@holvek/core';
import { latest, useTrace } from '@/gauge-link/trace';
import { canBeRead } from '@/gauge-link/line-gauge';
import { useLineState } from '@/gauge-link/use-lines';
import { useSettling } from '@/gauge-link/use-settling';
import { useDesk } from '@/desk/use-desk';
import { useTapping } from '@/desk/use-tapping';

export type LineFigure = {
  /** As its face would show it. */
  readonly text: string;
  readonly isSettled: boolean;
};

/** What a hand-held gauge says over its line just now; undefined where it has none, or has said nothing yet. */
export function useLineFigure(gauge: Gauge): LineFigure | undefined {
  const { run, trace, gaugeLines } = useDesk();
  const roles = Object.keys(run.gauges) as GaugeRole[];
  const role = roles.find((each) => run.gauges[each]?.id === gauge.id) ?? 'outlet';
  const isOpen = canBeRead(useLineState(gaugeLines.of(role)));
  const seen = useTrace(trace);
  const state = useSettling(trace, role, isOpen ? gauge.resolution_pa : undefined);
  const tapping = useTapping(gauge);
  const live = latest(seen, role);
  if (!isOpen || !live) return undefined;
  const isSettled = state?.state === 'settled';
  const si = isSettled ? state.level : live.value;
  const { text, unit } = tapping.written(si);
  return { text: `${text} ${unit}`, isSettled };
}
