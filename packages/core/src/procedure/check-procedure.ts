import { families } from '../valve';
import { guards, conditions } from './guards';
import { phases, type Procedure, type Step } from './step';

export type ProcedureIssue = {
  readonly code:
    | 'procedure.step_twice'
    | 'procedure.phase_out_of_order'
    | 'procedure.guard_unknown'
    | 'procedure.condition_unknown'
    | 'procedure.school_unknown'
    | 'procedure.closes_what_is_not_open'
    | 'procedure.adjuster_unknown'
    | 'procedure.slot_unknown'
    | 'procedure.position_unknown'
    | 'procedure.no_single_sign_at_end';
  readonly step: string;
};

/** Everything that is wrong with a procedure as data; empty when sound. `slots` are the texts' names. */
export function checkProcedure(
  procedure: Procedure,
  slots: ReadonlySet<string>,
  steps: readonly Step[] = procedure.steps,
): readonly ProcedureIssue[] {
  const issues: ProcedureIssue[] = [];
  const seen = new Set<string>();
  const open = new Set<string>();
  const schools = new Set(procedure.schools.map(({ id }) => id));
  const adjusters = new Set(families[procedure.family].adjusters.map(({ id }) => id));
  const moved = new Set([...Object.keys(procedure.initial), ...[...adjusters].map((id) => `adjuster_${id}`)]);
  let phase = 0;
  for (const step of steps) {
    const report = (code: ProcedureIssue['code']) => issues.push({ code, step: step.id });
    if (seen.has(step.id)) report('procedure.step_twice');
    seen.add(step.id);
    if (phases.indexOf(step.phase) < phase) report('procedure.phase_out_of_order');
    phase = Math.max(phase, phases.indexOf(step.phase));
    if (step.needs?.some((name) => !(name in guards))) report('procedure.guard_unknown');
    if ([step.unless, step.when].some((name) => name !== undefined && !(name in conditions)))
      report('procedure.condition_unknown');
    if (step.school && !schools.has(step.school)) report('procedure.school_unknown');
    if (step.adjuster && !adjusters.has(step.adjuster)) report('procedure.adjuster_unknown');
    if (step.closes?.some((id) => !open.has(id))) report('procedure.closes_what_is_not_open');
    for (const { id } of step.makes ?? []) open.add(id);
    const texts = [step.say, step.why, step.expects, step.caution?.say, step.fails, step.around].join(' ');
    for (const [, slot] of texts.matchAll(/\{(\w+)\}/gu))
      if (!slots.has(slot!)) report('procedure.slot_unknown');
    const { does = {}, cycle = [], ramp = { up: {}, down: {} } } = step;
    const positions = [does, ...cycle, ramp.up, ramp.down].flatMap((p) => Object.keys(p));
    if (positions.some((key) => !moved.has(key))) report('procedure.position_unknown');
  }
  const last = steps.at(-1);
  if (last?.kind !== 'sign' || steps.filter(({ kind }) => kind === 'sign').length !== 1)
    issues.push({ code: 'procedure.no_single_sign_at_end', step: last?.id ?? '' });
  return issues;
}
