import { useState } from 'react';
import { useDesk } from '@/desk/use-desk';

/** Turning a screw as advised, or by another amount; confirming the step. */
export function useTurn(stepId: string, adjuster: string) {
  const { run, add } = useDesk();
  const [isOther, setOther] = useState(false);
  return {
    isOther,
    openOther: () => setOther(true),
    closeOther: () => setOther(false),
    turned: (turns: number) => {
      setOther(false);
      void add({ type: 'turned', adjuster, turns });
    },
    next: () => void add({ type: 'step_done', step_id: stepId }),
    /** Net turns made so far. */
    position: (run.marks[adjuster] ?? []).reduce(
      (sum, mark) => sum + (mark.kind === 'turned' ? mark.turns : 0),
      0,
    ),
  };
}
