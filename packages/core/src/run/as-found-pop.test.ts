import { unwrap } from '../result';
import { freezeSheet } from '../sheet';
import { captureCycles, captureView, crackedIn, openEndsOf, stepOfKind } from '../step';
import { familyStarted, rehearsedFamily, type SampleName } from '../testing/family-samples';
import { runView } from './view';

const reliefs: readonly SampleName[] = ['relief_pilot', 'relief_spring', 'vacuum'];
const found = (name: SampleName, pa: number) =>
  rehearsedFamily(name, { twin: { ...familyStarted(name).twin!, found_pa: pa } });

describe('a relief opened once as it was found', () => {
  test.each(reliefs)('%s: before anything is touched, and it stands on the sheet', (name) => {
    const set = familyStarted(name).target.set_point_pa;
    const { run, events } = found(name, 0.93 * set);
    const popped = crackedIn(run, 'as_found', 'main')!;
    const body = unwrap(freezeSheet(run, null));
    expect(body.settings[0]!.as_found_pa).toBe(popped);
    const firstTurn = events.findIndex(({ type }) => type === 'turned');
    const marked = events.findIndex(({ type }) => type === 'marked');
    expect(marked).toBeGreaterThan(0);
    expect(marked).toBeLessThan(firstTurn);
    // It is about another setting: neither a proof nor among the cycles of the one that is left.
    const cycles = body.cracking!.cycles.map(({ cracked_pa: pa }) => pa);
    expect(cycles).toHaveLength(run.started.house_rules.proving_cycles);
    expect(cycles).not.toContain(popped);
  });

  test('what it shows asks for no turn, however far it is from its lane', () => {
    const { run } = rehearsedFamily('relief_spring', {}, { stopBefore: 'machine_off' });
    const step = stepOfKind(run, 'capture', 'as_found_pop')!;
    expect(captureCycles(run, step.id)).toHaveLength(1);
    expect(captureView(run, step)).toMatchObject({ isEnough: true, wanted: 1, move: undefined });
  });

  test('one that does not open by its limit is let down, and says so', () => {
    const { run, events } = found('relief_pilot', 2.4e6);
    const left = events.find((event) => event.type === 'step_skipped');
    expect(left).toMatchObject({ step_id: 'as_found_pop' });
    expect(left).toHaveProperty('reason', expect.stringMatching(/^Did not open up to \d+ kPa$/));
    expect(unwrap(freezeSheet(run, null)).settings[0]!.as_found_pa).toBeNull();
    expect(openEndsOf(run)).toEqual([]);
  });

  test('where it is not safe, what was told is kept instead', () => {
    const begun = rehearsedFamily('relief_pilot', {}, { stopBefore: 'as_found_may' });
    const answered = {
      ...begun.run,
      observed: { as_found_may: 'no' },
      done: { ...begun.run.done, as_found_may: 1 },
    };
    expect(runView(answered).step?.id).toBe('as_found_told');
  });
});
