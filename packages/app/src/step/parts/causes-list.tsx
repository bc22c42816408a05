import type { Evidence } from '@holvek/core';
import { CauseCards, type CauseAction } from './cause-cards';
import { useDesk } from '@/desk/use-desk';

/** Causes of a run's family in order of likelihood; what is answered becomes an entry. */
export function CausesList({
  evidence,
  actionOf,
}: {
  readonly evidence: Evidence;
  readonly actionOf: (causeId: string) => CauseAction;
}) {
  const { run, add } = useDesk();
  return (
    <CauseCards
      causes={run.procedure.causes}
      evidence={evidence}
      answered={run.observed}
      onAnswer={(key, value) => void add({ type: 'observed', key, value })}
      actionOf={actionOf}
    />
  );
}
