import { View } from '@/ui/kit';
import { useDesk } from '@/desk/use-desk';
import { latest, useTrace } from '@/gauge-link/trace';

/**
 * Where the run stands, for whoever drives the page from outside: the step, how many entries there
 * are, and up to when the linked gauge has lived, s. Nothing is drawn.
 */
export function FrameMark() {
  const { run, view, trace } = useDesk();
  const seen = useTrace(trace);
  const times = (['inlet', 'outlet', 'travel'] as const).map((role) => latest(seen, role)?.t ?? 0);
  const marks = {
    'data-step': view.step?.id ?? '',
    'data-entries': run.eventCount,
    'data-lived': Math.floor(Math.max(...times)),
  };
  return <View position="absolute" {...marks} />;
}
