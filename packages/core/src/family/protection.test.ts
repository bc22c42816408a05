import { reduceRun } from '../run';
import { givenBlocks } from '../report/given-blocks';
import { printersIn } from '../report/printers';
import { unwrap } from '../result';
import { freezeSheet } from '../sheet';
import { stepsFor } from '../step';
import { familySamples, rehearsedFamily, type SampleName } from '../testing/family-samples';
import { procedureOf } from './list';

const stepsOf = (name: SampleName) => {
  const { plate } = familySamples[name];
  const procedure = procedureOf(plate.family);
  return stepsFor(procedure, procedure.schools[0]!.id, plate);
};

describe.each(['relief_pilot', 'hydraulic'] as const)('while the limiter of %s is out', (name) => {
  test('what stands in for it is asked before anything is moved, and is open until it is set', () => {
    const steps = stepsOf(name);
    const at = (id: string) => steps.findIndex((step) => step.id === id);
    const parks = steps.findIndex(({ phase }) => phase === 'park');
    const lastSet = steps.findLastIndex(({ kind }) => ['set', 'search', 'lock'].includes(kind));
    expect(at('protection')).toBeGreaterThan(-1);
    expect(at('protection')).toBeLessThan(parks);
    expect(at('back_in_charge')).toBeGreaterThan(lastSet);
  });
  test('it is a red open end of the run, and its answer is kept', () => {
    const { run, events } = rehearsedFamily(name);
    expect(run.observed['protected_by']).toBeDefined();
    const end = (id: string, of: typeof run) => of.openEnds.find((each) => each.id === id);
    expect(end('protection', run)!.state).toBe('closed');
    const until = events.findIndex(
      (event) => event.type === 'step_done' && event.step_id === 'back_in_charge',
    );
    const before = unwrap(reduceRun(events.slice(0, until)));
    expect(end('protection', before)!.state).toBe('open');
  });
});

test('the sheet says what stood in for it', () => {
  const body = unwrap(freezeSheet(rehearsedFamily('relief_pilot').run, null));
  const rows = givenBlocks(body, printersIn('kPa')).flatMap((block) =>
    block.kind === 'rows' ? block.rows : [],
  );
  expect(rows).toContainEqual({
    label: 'Protected meanwhile by',
    value: 'Another relief valve on the line',
  });
});

describe('the retaining nut of a spring relief', () => {
  const changed = rehearsedFamily('relief_spring');
  const nut = (of: typeof changed.run) => of.openEnds.find(({ id }) => id === 'retaining_nut');
  const runTo = (id: string, extra: typeof changed.events = []) => {
    const until = changed.events.findIndex(
      (event) => event.type === 'step_done' && event.step_id === id,
    );
    return unwrap(reduceRun([...changed.events.slice(0, until), ...extra]));
  };
  test('is no end where the spring stays', () => {
    expect(nut(changed.run)).toBeUndefined();
  });
  test('is open from the change on, until the disc is seen to lift', () => {
    const at = runTo('spring');
    const last = changed.events[0]!;
    const event = {
      type: 'spring_changed' as const,
      id: 'zz-change',
      run_id: last.run_id,
      author: last.author,
      at_ms: last.at_ms + 1e6,
      lamport: 9000,
      step_id: 'spring',
      adjuster: 'main',
      colour: familySamples.relief_spring.plate.springs[0]!.colour,
    };
    expect(nut(at)).toBeUndefined();
    const opened = runTo('spring', [event]);
    expect(nut(opened)!.state).toBe('open');
    const done = (step: string, lamport: number) => ({
      ...event,
      type: 'step_done' as const,
      id: `zz-${step}`,
      step_id: step,
      lamport,
    });
    const lifted = runTo('spring', [event, done('spring', 9001), done('disc_free', 9002)]);
    expect(nut(lifted)!.state).toBe('closed');
  });
});
