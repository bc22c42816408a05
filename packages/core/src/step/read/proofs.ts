import { gaugePa } from '../../quantity';
import { droop } from '../../prove';
import { lastReading } from '../last-reading';
import { notProved, proofAtMost, type Proof } from '../proof';
import type { RunState } from '../run-state';
import type { StepOf } from '../shapes';

/** Fall from small to working flow, where the plate says how much there may be. */
export function droopProofs(run: RunState, step: StepOf<'read'>): readonly Proof[] {
  const allowed = run.started.plate.droop_allowed_pa;
  if (step.purpose !== 'working_flow' || step.role !== 'outlet' || allowed === undefined) return [];
  const subject = { proof: 'droop', step } as const;
  const small = lastReading(run, 'setting')?.reading.si;
  const working = lastReading(run, 'working_flow')?.reading.si;
  if (small === undefined || working === undefined) return [notProved(subject)];
  const guard = run.gauges.outlet?.resolution_pa ?? 0;
  return [
    proofAtMost(subject, {
      found: droop(gaugePa(small), gaugePa(working)),
      bound: allowed,
      guard,
      unit: 'pa',
    }),
  ];
}
