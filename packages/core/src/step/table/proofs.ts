import { resultUncertainty } from '../../gauge';
import { judgementOf, MAIN, targetOf } from '../../valve';
import { noBetterThan, notProved, proofAtMost, type Proof } from '../proof';
import type { RunState } from '../run-state';
import type { StepOf } from '../shapes';
import { noFlowOf } from './freeze';

/** The outlet with nothing flowing: it levels, it rises no further than allowed, and never past the limit. */
export function noFlowProofs(run: RunState, step: StepOf<'table'>): readonly Proof[] {
  if (step.purpose !== 'no_flow') return [];
  const rise = { proof: 'no_flow', step } as const;
  const limit = { proof: 'no_flow_limit', step } as const;
  const { no_flow: found } = noFlowOf(run);
  const gauge = run.gauges[step.role];
  if (!found || !gauge) return [notProved(rise, 'too_few'), notProved(limit, 'too_few')];
  const { shape, sure, rise_pa: risen, allowed_pa: allowed } = found;
  const risesTo = proofAtMost(rise, {
    found: risen,
    bound: allowed,
    guard: gauge.resolution_pa,
    unit: 'pa',
  });
  const limited = limitProof(run, step, resultUncertainty(gauge));
  if (shape === 'cannot_tell') {
    const isWithin = risesTo.verdict === 'pass' || risesTo.verdict === 'pass_without_margin';
    return [isWithin ? notProved(rise, 'cannot_tell') : risesTo, limited];
  }
  const isSure = sure >= judgementOf(run.started.house_rules).no_flow_sure;
  const shaped =
    shape === 'creeps'
      ? noBetterThan(risesTo, isSure ? 'fail' : 'fail_without_margin', 'creeps')
      : noBetterThan(risesTo, isSure ? 'pass' : 'pass_without_margin', 'not_sure');
  return [shaped, limited];
}

function limitProof(run: RunState, step: StepOf<'table'>, guard: number): Proof {
  const target = targetOf(run.started, step.adjuster ?? MAIN) ?? run.started.target;
  const sign = target.set_point_pa < 0 ? -1 : 1;
  const highest = Math.max(
    ...run.readings
      .filter(({ purpose }) => purpose === 'no_flow')
      .flatMap(({ reading, between = [] }) => [reading.si, ...between.map(({ si }) => si)])
      .map((si) => sign * si),
  );
  return proofAtMost(
    { proof: 'no_flow_limit', step },
    { found: highest, bound: sign * target.limit_pa, guard, unit: 'pa' },
  );
}
