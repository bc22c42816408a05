import { unwrap } from '../result';
import { freezeSheet } from '../sheet';
import { linkageView, rangeArmOf, slideError, slideOf } from '../step';
import { familyStarted, rehearsedFamily } from '../testing/family-samples';
import { stamp } from '../testing/samples';
import { armScaleOf } from '../valve';
import { checkEvent } from './check-event';
import type { RunEventDraft } from './event';
import { reduceRun } from './reduce';

const { plate: bare, twin } = familyStarted('positioner');
const plate = { ...bare, arm_least: 1, arm_most: 6, arm_division: 0.1 } as never;
const arm = { least: 1, most: 6, division: 0.1, at: 3.5 };
const found = (value: number | string): RunEventDraft => ({
  type: 'observed',
  key: 'range_arm',
  value,
});
const slid = (turns: number): RunEventDraft => ({ type: 'turned', adjuster: 'span', turns });
const runOf = (...drafts: RunEventDraft[]) =>
  unwrap(
    reduceRun([
      stamp(familyStarted('positioner', { plate }), 1),
      ...drafts.map((draft, i) => stamp(draft, i + 2)),
    ]),
  );

describe('a range arm', () => {
  test('has a scale only where all three of its figures are given, and make one', () => {
    expect(armScaleOf(plate)).toEqual({ least: 1, most: 6, division: 0.1 });
    expect(armScaleOf(bare)).toBeUndefined();
    const wrong = [{ arm_most: 1 }, { arm_division: 6 }, { arm_division: undefined }];
    for (const over of wrong)
      expect(armScaleOf({ ...(plate as object), ...over } as never)).toBeUndefined();
  });

  test('stands where it was found, and as far on as it was slid since', () => {
    expect(rangeArmOf(runOf(found(2.4)))!.at).toBe(2.4);
    expect(rangeArmOf(runOf(found(2.4), slid(0.3), slid(-0.1)))!.at).toBe(2.6);
    expect(rangeArmOf(runOf())!.at).toBe(3.5);
  });

  test.each([
    ['by quarters of a mark', 0.236, 0.225],
    ['by one at the least', -0.001, -0.025],
    ['up to its end and no further', 9, 2.5],
    ['down to its end and no further', -9, -2.5],
  ])('is slid %s', (_, wanted, made) => {
    expect(slideOf(wanted, arm)).toBe(made);
  });

  test('at its end there is nowhere to slide it', () => {
    expect(slideOf(0.4, { ...arm, at: 6 })).toBe(0);
    expect(slideOf(-0.4, { ...arm, at: 1 })).toBe(0);
  });

  test('is not believed off its scale, nor by nothing', () => {
    const off = { code: 'run.off_its_scale', least: 1, most: 6 };
    expect(slideError(2.5, arm)).toBeUndefined();
    expect(slideError(2.51, arm)).toEqual(off);
    expect(slideError(-2.51, arm)).toEqual(off);
    expect(slideError(0.006, arm)).toEqual({ code: 'coach.turn_of_nothing' });
    expect(slideError(0.007, arm)).toBeUndefined();
    expect(slideError(Number.NaN, arm)).toEqual({ code: 'coach.turn_of_nothing' });
    const run = runOf(found(2.4));
    expect(checkEvent(run, slid(-1.5))).toEqual(off);
    expect(checkEvent(run, slid(-1.4))).toBeUndefined();
    expect(checkEvent(run, found(0.9))).toEqual(off);
    expect(checkEvent(run, found('somewhere'))).toEqual(off);
    expect(checkEvent(run, found(6))).toBeUndefined();
  });
});

describe.each(['by_travel', 'end_points'])('a positioner with a range arm, %s', (school) => {
  const tolerance_span = school === 'end_points' ? 0.04 : 0.02;
  const rehearsals = [3, 8, 15, 34].map((seed) =>
    rehearsedFamily('positioner', {
      plate: { ...(plate as object), tolerance_span } as never,
      school,
      twin: { ...twin!, seed },
    }),
  );

  test('is set by figures of its scale, and says where it was left', () => {
    for (const { run } of rehearsals) {
      const body = unwrap(freezeSheet(run, null));
      expect(body.outcome).toBe('set');
      expect(body.answers['range_arm']).toBe(3.5);
      expect(body.range_arm).toBe(rangeArmOf(run)!.at);
      expect(body.range_arm).toBeGreaterThanOrEqual(1);
      expect(body.range_arm).toBeLessThanOrEqual(6);
    }
    const left = rehearsals.map(({ run }) => rangeArmOf(run)!.at);
    expect(left.some((at) => at !== 3.5)).toBe(true);
  });

  test('is never asked for eighths of a turn', () => {
    const slides = rehearsals.flatMap(({ events }) =>
      events.flatMap((event) =>
        event.type === 'turned' && event.adjuster === 'span' ? [event.turns] : [],
      ),
    );
    expect(slides.length).toBeGreaterThan(0);
    for (const by of slides) expect(by / 0.025).toBeCloseTo(Math.round(by / 0.025), 6);
  });
});

test('a positioner without a range arm says nothing of one', () => {
  const { run } = rehearsedFamily('positioner');
  expect(linkageView(run).arm).toBeUndefined();
  expect(unwrap(freezeSheet(run, null)).range_arm).toBeUndefined();
});
