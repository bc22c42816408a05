import { phases, sharedConditions, type Procedure, type Step } from '../step';
import { slotNamesOf } from './fill-slots';
import { definitionOf } from './list';

export type ProcedureIssue = {
  readonly code:
    | 'procedure.step_twice'
    | 'procedure.phase_out_of_order'
    | 'procedure.condition_unknown'
    | 'procedure.school_unknown'
    | 'procedure.closes_what_is_not_open'
    | 'procedure.adjuster_unknown'
    | 'procedure.slot_unknown'
    | 'procedure.position_unknown'
    | 'procedure.no_single_sign_at_end';
  readonly step: string;
};

type Report = (code: ProcedureIssue['code'], step: Step) => void;

/** Everything that is wrong with a procedure as data; empty when sound. */
export function checkProcedure(
  procedure: Procedure,
  steps: readonly Step[] = procedure.steps,
): readonly ProcedureIssue[] {
  const issues: ProcedureIssue[] = [];
  const report: Report = (code, { id }) => issues.push({ code, step: id });
  checkOrder(steps, report);
  checkEnds(steps, report);
  for (const step of steps) checkNames(procedure, step, report);
  const signs = steps.filter(({ kind }) => kind === 'sign');
  const last = steps.at(-1);
  if (last?.kind !== 'sign' || signs.length !== 1)
    issues.push({ code: 'procedure.no_single_sign_at_end', step: last?.id ?? '' });
  return issues;
}

/** Each step once, and the phases in their order. */
function checkOrder(steps: readonly Step[], report: Report): void {
  const seen = new Set<string>();
  let phase = 0;
  for (const step of steps) {
    if (seen.has(step.id)) report('procedure.step_twice', step);
    seen.add(step.id);
    if (phases.indexOf(step.phase) < phase) report('procedure.phase_out_of_order', step);
    phase = Math.max(phase, phases.indexOf(step.phase));
  }
}

/** Nothing is put back that was not moved before. */
function checkEnds(steps: readonly Step[], report: Report): void {
  const open = new Set<string>();
  for (const step of steps) {
    if (step.closes?.some((id) => !open.has(id))) report('procedure.closes_what_is_not_open', step);
    for (const { id } of step.makes ?? []) open.add(id);
  }
}

/** Every name that a step uses is one that is there. */
function checkNames(procedure: Procedure, step: Step, report: Report): void {
  const conditions = { ...sharedConditions, ...procedure.conditions };
  const adjusters = new Set(definitionOf(procedure.family).facts.adjusters.map(({ id }) => id));
  if ([step.unless, step.when].some((name) => name !== undefined && !(name in conditions)))
    report('procedure.condition_unknown', step);
  if (step.school && !procedure.schools.some(({ id }) => id === step.school))
    report('procedure.school_unknown', step);
  if (step.adjuster && !adjusters.has(step.adjuster)) report('procedure.adjuster_unknown', step);
  const slots = slotNamesOf(procedure.family);
  for (const [, slot] of textsOf(step).matchAll(/\{(\w+)\}/gu))
    if (!slots.has(slot!)) report('procedure.slot_unknown', step);
  const parked = [...adjusters].map((id) => `adjuster_${id}`);
  const known = new Set([...Object.keys(procedure.initial), ...parked]);
  if (movedBy(step).some((key) => !known.has(key))) report('procedure.position_unknown', step);
}

const textsOf = (step: Step): string => {
  const own = [
    'fails' in step ? step.fails : undefined,
    'around' in step ? step.around : undefined,
  ];
  return [step.say, step.why, step.expects, step.caution?.say, ...own].join(' ');
};

/** What a step moves, whichever of its kind's ways. */
const movedBy = (step: Step): readonly string[] => {
  const cycle = step.kind === 'cycle' ? step.cycle : [];
  const ramp = step.kind === 'capture' ? [step.ramp.up, step.ramp.down] : [];
  return [step.does ?? {}, ...cycle, ...ramp].flatMap((positions) => Object.keys(positions));
};
