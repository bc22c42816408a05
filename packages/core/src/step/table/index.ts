import { takeReading } from '../act-out';
import { confirm, type StepBehaviour } from '../behaviour';
import type { Hand } from '../hand';
import type { Watched } from '../reading';
import { watchStateOf } from './freeze';
import { noFlowProofs } from './proofs';

/** s between two readings of a watch, and between what a linked gauge says meanwhile. */
const APART = 8;
const EVERY = 1;

export const tableStep: StepBehaviour<'table'> = {
  maySkip: true,
  proves: noFlowProofs,
  carryOut: (hand, step) => {
    takeReading(hand, step, { elapsed_s: 0 });
    for (let elapsed = APART; !watchStateOf(hand.run, step.rows).isOver; elapsed += APART) {
      const between = watch(hand, step.role, elapsed - APART);
      takeReading(hand, step, { elapsed_s: elapsed, between });
    }
    return confirm(hand, step);
  },
};

function watch(hand: Hand, role: Parameters<Hand['read']>[0], since: number): Watched[] {
  const between: Watched[] = [];
  for (let t = since + EVERY; t < since + APART; t += EVERY) {
    hand.wait(EVERY);
    between.push({ t_s: t, si: hand.read(role).si });
  }
  hand.wait(EVERY);
  return between;
}
