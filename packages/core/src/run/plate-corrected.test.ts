import { plateDifference, plateWith } from '../family';
import { unwrap } from '../result';
import { standOf } from '../step/set/setting-view';
import { stamp, startedDraft } from '../testing/samples';
import { familyStarted } from '../testing/family-samples';
import { checkEvent } from './check-event';
import type { RunEventDraft } from './event';
import { reduceRun } from './reduce';

const started = startedDraft();
const { plate, target } = started;
const runOf = (...drafts: RunEventDraft[]) =>
  unwrap(reduceRun([started, ...drafts].map((draft, i) => stamp(draft, i + 1))));
type Fact = Extract<RunEventDraft, { type: 'plate_corrected' }>['facts'][number];
const corrected = (...facts: Fact[]): RunEventDraft => ({
  type: 'plate_corrected',
  facts,
  why: 'Read off the plate',
});
const errorOf = (run: ReturnType<typeof runOf>, ...facts: Fact[]) =>
  checkEvent(run, corrected(...facts));

describe('a plate that is found to say otherwise', () => {
  const lower = { path: 'outlet_rating_pa', value: plate.outlet_rating_pa - 1000 };

  test('is what the run goes by from then on; what the register had is kept beside it', () => {
    const run = runOf(corrected(lower));
    expect(run.started.plate.outlet_rating_pa).toBe(lower.value);
    expect(run.plateCorrections).toEqual([
      {
        facts: [{ path: lower.path, was: plate.outlet_rating_pa, is: lower.value }],
        why: 'Read off the plate',
        by: expect.any(String),
        atMs: expect.any(Number),
      },
    ]);
    expect(runOf().plateCorrections).toEqual([]);
  });

  test('taken back, it is as it was', () => {
    const correction = stamp(corrected(lower), 2);
    const events = [
      stamp(started, 1),
      correction,
      stamp({ type: 'undone', undoes: correction.id }, 3),
    ];
    const run = unwrap(reduceRun(events));
    expect(run.started.plate).toEqual(plate);
    expect(run.plateCorrections).toEqual([]);
  });

  test('may say more than it did, or less', () => {
    const more = corrected({ path: 'droop_allowed_pa', value: 20_000 });
    const less = corrected({ path: 'droop_allowed_pa', value: null });
    expect(runOf(more).started.plate.droop_allowed_pa).toBe(20_000);
    expect(runOf(more, less).started.plate).not.toHaveProperty('droop_allowed_pa');
  });

  test('with another rate, the coach begins from that rate', () => {
    const springs = plate.springs.map(({ stacked_with: _, ...spring }) => ({
      ...spring,
      rate_pa_per_turn: spring.rate_pa_per_turn * 2,
    }));
    const rateOf = (run: ReturnType<typeof runOf>) => standOf(run, 'main').prior.rate;
    const twice = rateOf(runOf(corrected({ path: 'springs', value: springs })));
    const [fitted] = springs.filter(({ colour }) => colour === plate.fitted_spring);
    expect(twice).toBe(fitted!.rate_pa_per_turn);
    const other = rateOf(runOf(corrected(lower)));
    expect(other).toBe(rateOf(runOf()));
  });
});

describe('the way a screw turns', () => {
  const turned = plate.clockwise === 'raises' ? 'lowers' : 'raises';

  test('is believed as corrected, of this screw alone, and goes on to the sheet though it was not turned', () => {
    const run = runOf(corrected({ path: 'clockwise', value: turned }));
    expect(run.started.priors['main']!.direction).toBe(turned);
    expect(standOf(run, 'main').prior.direction).toBe(turned);
    const hydraulic = familyStarted('hydraulic');
    const [other] = Object.keys(hydraulic.plate.others!);
    const correction = corrected({ path: `others.${other}.clockwise`, value: 'lowers' });
    const pump = unwrap(reduceRun([stamp(hydraulic, 1), stamp(correction, 2)]));
    expect(pump.started.priors[other!]!.direction).toBe('lowers');
    expect(pump.started.priors['main']).toEqual(hydraulic.priors['main']);
  });
});

describe('a correction is refused', () => {
  test.each<[string, Fact]>([
    ['that is no figure', { path: 'outlet_rating_pa', value: 'much' }],
    ['of what no plate of its kind says', { path: 'colour_of_its_hood', value: 'blue' }],
    ['of a spring past what a spring can be', { path: 'springs', value: [] }],
    ['to another family', { path: 'family', value: 'relief_spring' }],
  ])('%s', (_, fact) => {
    expect(errorOf(runOf(), fact)).toMatchObject({ code: 'valve.not_a_plate' });
  });

  test('by which the target must not be set, until the work has ended', () => {
    const rating = { path: 'outlet_rating_pa', value: target.set_point_pa };
    expect(errorOf(runOf(), rating)).toMatchObject({
      code: 'run.plate_forbids',
      issue: { code: 'valve.target_over_rating', stops: true },
    });
    const [first] = runOf().steps;
    const end: RunEventDraft = {
      type: 'ended',
      step_id: first!.id,
      outcome: 'could_not_be_set',
      why: 'not_safe_here',
      reason: 'Rated below the target',
    };
    const ended = runOf(end);
    expect(errorOf(ended, rating)).toBeUndefined();
    expect(runOf(end, corrected(rating)).steps).toEqual(ended.steps);
  });

  test('to a valve with other screws', () => {
    const hydraulic = familyStarted('hydraulic');
    const run = unwrap(reduceRun([stamp(hydraulic, 1)]));
    const [other] = Object.keys(hydraulic.plate.others!);
    expect(errorOf(run, { path: `others.${other}`, value: null })).toEqual({
      code: 'run.other_valve',
    });
  });

  const gas = familyStarted('gas');
  const gasRun = (...drafts: RunEventDraft[]) =>
    unwrap(reduceRun([gas, ...drafts].map((draft, i) => stamp(draft, i + 1))));
  const slam = { path: 'slam_shut', value: !('slam_shut' in gas.plate && gas.plate.slam_shut) };

  test.each<[string, RunEventDraft]>([
    ['turned', { type: 'turned', adjuster: 'main', turns: 0.5 }],
    ['opened', { type: 'open_end_made', open_end: 'x', say: 'Vent open', put_back: 'Shut it' }],
    ['moved on the line', { type: 'step_done', step_id: movingStep() }],
  ])('that asks for another order of work once something was %s', (_, draft) => {
    expect(errorOf(gasRun(draft), slam)).toEqual({ code: 'run.order_would_change' });
  });

  test('not for its order where nothing was moved yet: the steps are those of the plate that is there', () => {
    expect(errorOf(gasRun(), slam)).toBeUndefined();
    const other = gasRun(corrected(slam));
    expect(other.steps.length).not.toBe(gasRun().steps.length);
    const begun = gasRun({ type: 'turned', adjuster: 'main', turns: 0.5 });
    expect(errorOf(begun, { path: 'size_dn', value: 80 })).toBeUndefined();
  });

  function movingStep(): string {
    return gasRun().steps.find(({ does }) => does !== undefined)!.id;
  }
});

describe('what two plates say otherwise', () => {
  test('is told fact by fact, a list and a signal as a whole, and put back makes the other of the one', () => {
    const other = {
      ...plate,
      size_dn: 100,
      accessories: ['Speed control'],
      droop_allowed_pa: 10_000,
    };
    const facts = plateDifference(plate, other);
    expect(facts.map(({ path }) => path).sort()).toEqual([
      'accessories',
      'droop_allowed_pa',
      'size_dn',
    ]);
    expect(plateWith(plate, facts)).toEqual({ ok: true, value: other });
    expect(plateWith(other, plateDifference(other, plate))).toEqual({ ok: true, value: plate });
    expect(plateDifference(plate, { ...plate })).toEqual([]);
    const signals = familyStarted('positioner').plate as typeof plate & { input: object };
    const fewer = { ...signals, input: { ...signals.input, high: 19 } };
    expect(plateDifference(signals, fewer)).toEqual([{ path: 'input', value: fewer.input }]);
    const { others } = familyStarted('hydraulic').plate;
    const [id, own] = Object.entries(others!)[0]!;
    const pump = familyStarted('hydraulic').plate;
    const longer = { ...pump, others: { ...others, [id]: { ...own, travel_turns: 33 } } };
    expect(plateDifference(pump, longer)).toEqual([
      { path: `others.${id}.travel_turns`, value: 33 },
    ]);
  });
});
