import { runView, type Run, type RunEvent } from '../run';
import { carryOut } from '../step';
import { TwinHand, type RehearsalOptions } from './hand';
import type { Twin } from './twin';

export type Rehearsal = {
  readonly events: readonly RunEvent[];
  readonly run: Run;
  readonly twin: Twin;
  readonly moves: number;
};

/** More steps than any run has. */
const MOST_STEPS = 200;

/**
 * A whole run carried out on a twin by the coach's own advice: history for the demo, and the
 * proof in tests that the procedure, the coach and the twin fit together.
 */
export function rehearse(options: RehearsalOptions): Rehearsal {
  const hand = new TwinHand(options);
  for (let guard = 0; guard < MOST_STEPS; guard++) {
    const { step } = runView(hand.run);
    if (!step || step.id === options.stopBefore) break;
    if (options.judge?.(step) === 'fails') {
      const reason = ('fails' in step ? step.fails : undefined) ?? step.say;
      hand.add({ type: 'condemned', step_id: step.id, reason });
    } else if (!carryOut(hand, step)) break;
  }
  return { events: hand.events, run: hand.run, twin: hand.twin, moves: hand.moves };
}
