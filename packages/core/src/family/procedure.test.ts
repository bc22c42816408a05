import { canSkip, currentStep, phases, stepsFor, type Procedure, type Step } from '../step';
import { gauges, plate, target } from '../testing/samples';
import { defaultHouseRules as rules } from '../valve';
import { checkProcedure } from './check-procedure';
import { fillSlots } from './fill-slots';
import { procedureOf } from './list';
import { reducingProcedure } from './reducing/steps';

const changed = (change: (steps: Step[]) => Step[]): Procedure => ({
  ...reducingProcedure,
  steps: change([...reducingProcedure.steps]),
});
const codes = (procedure: Procedure) => checkProcedure(procedure).map(({ code }) => code);
describe('the reducing procedure', () => {
  test('is sound', () => {
    expect(codes(reducingProcedure)).toEqual([]);
  });

  test('goes through all phases in their order', () => {
    const seen = [...new Set(reducingProcedure.steps.map(({ phase }) => phase))];
    expect(seen).toEqual([...phases]);
  });

  test('closes, or leaves to the end, everything that it opens', () => {
    const opened = reducingProcedure.steps.flatMap(({ makes }) => makes ?? []).map(({ id }) => id);
    expect(new Set(opened).size).toBe(opened.length);
    expect(reducingProcedure.steps.at(-2)?.kind).toBe('restore');
  });

  test('cautions stand before the valve is touched', () => {
    expect(reducingProcedure.steps[0]?.kind).toBe('caution');
    const firstAct = reducingProcedure.steps.findIndex(({ kind }) => kind === 'act');
    const firstCaution = reducingProcedure.steps.findIndex(({ caution }) => caution);
    expect(firstCaution).toBeLessThan(firstAct);
  });

  test('the adjuster is parked before it is set, and locked before it is read as left', () => {
    const at = (id: string) => reducingProcedure.steps.findIndex((step) => step.id === id);
    expect(at('back_off')).toBeLessThan(at('come_up'));
    expect(at('tighten')).toBeLessThan(at('as_left'));
  });
});

describe('checkProcedure', () => {
  test.each<[string, (steps: Step[]) => Step[]]>([
    ['procedure.step_twice', (steps) => [steps[0]!, ...steps]],
    [
      'procedure.phase_out_of_order',
      (steps) => [{ ...steps[0]!, phase: 'prove' }, ...steps.slice(1)],
    ],
    [
      'procedure.condition_unknown',
      (steps) => [{ ...steps[0]!, unless: 'raining' }, ...steps.slice(1)],
    ],
    [
      'procedure.school_unknown',
      (steps) => [{ ...steps[0]!, school: 'hard_knocks' }, ...steps.slice(1)],
    ],
    [
      'procedure.closes_what_is_not_open',
      (steps) => [{ ...steps[0]!, closes: ['lock_nut'] }, ...steps.slice(1)],
    ],
    [
      'procedure.adjuster_unknown',
      (steps) => [{ ...steps[0]!, adjuster: 'left' }, ...steps.slice(1)],
    ],
    [
      'procedure.slot_unknown',
      (steps) => [{ ...steps[0]!, say: 'At {moonrise}' }, ...steps.slice(1)],
    ],
    [
      'procedure.position_unknown',
      (steps) => [{ ...steps[0]!, does: { porthole: 1 } }, ...steps.slice(1)],
    ],
    ['procedure.no_single_sign_at_end', (steps) => steps.slice(0, -1)],
  ])('finds %s', (code, change) => {
    expect(codes(changed(change))).toContain(code);
  });
});

describe('walking', () => {
  test('a school takes its own steps and leaves the other’s', () => {
    const ids = (school: string) => stepsFor(reducingProcedure, school, plate).map(({ id }) => id);
    expect(ids('from_zero')).toContain('back_off');
    expect(ids('from_zero')).not.toContain('count_from_tag');
    expect(ids('from_tag')).toContain('count_from_tag');
    expect(ids('from_tag')).not.toContain('back_off');
  });

  test('accessories are asked for only under an approval', () => {
    const ids = (approval?: { scheme: string; accessories: string[] }) =>
      stepsFor(reducingProcedure, 'from_zero', { ...plate, ...(approval ? { approval } : {}) }).map(
        ({ id }) => id,
      );
    expect(ids()).not.toContain('accessories');
    expect(ids({ scheme: 'Hill', accessories: [] })).toContain('accessories');
  });

  test('the current step is the first that is not passed', () => {
    const steps = stepsFor(reducingProcedure, 'from_zero', plate);
    expect(currentStep(steps, () => false)?.id).toBe('stored_pressure');
    expect(currentStep(steps, (id) => id === 'stored_pressure')?.id).toBe('permit');
    expect(currentStep(steps, () => true)).toBeUndefined();
  });

  test('cautions, the setting, the lock, the as-left reading and the end are never left out', () => {
    const kept = reducingProcedure.steps.filter((step) => !canSkip(step)).map(({ id }) => id);
    expect(kept).toEqual(['stored_pressure', 'come_up', 'tighten', 'as_left', 'put_back', 'sign']);
  });

  test('every version that was published is found, another is a bug', () => {
    expect(procedureOf('reducing', 1)).toBe(reducingProcedure);
    expect(() => procedureOf('reducing', 99)).toThrow('no procedure');
  });
});

describe('texts', () => {
  const print = {
    pressure: (pa: number) => `${pa / 1000} kPa`,
    flow: (q: number) => `${q * 1000} L/s`,
  };
  const fill = (text: string) => fillSlots(text, { plate, target, rules, gauges }, print);

  test('every text of the procedure is filled without a rest', () => {
    for (const step of reducingProcedure.steps)
      for (const text of [step.say, step.why, step.expects, step.caution?.say])
        expect(fill(text ?? '')).not.toMatch(/[{}]|undefined|NaN/u);
  });

  test('figures come from plate, target, gauges and rules', () => {
    expect(fill('{target} with {min_flow} on {outlet_gauge}')).toBe('520 kPa with 1.4 L/s on G-12');
    expect(fill('{lockup_allowed}')).toBe('52 kPa');
    expect(fill('{nothing}')).toBe('{nothing}');
  });
});
