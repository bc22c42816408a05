import { fillSlots, targetOf } from '@holvek/core';
import { useDesk } from '@/desk/use-desk';

/** A step's text with its figures filled in. */
export function useStepText(): (text: string, adjuster?: string) => string {
  const { run, units } = useDesk();
  const { plate, house_rules: rules } = run.started;
  return (text, adjuster = 'main') => {
    const target = targetOf(run.started, adjuster) ?? run.started.target;
    const source = { plate, target, adjuster, rules, gauges: run.gauges };
    return fillSlots(text, source, { pressure: units.withUnit, flow: units.flowWithUnit });
  };
}
