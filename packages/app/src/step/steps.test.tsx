import type { Run, RunEventDraft } from '@holvek/core';
import { act, cleanup, screen, within } from '@testing-library/react';
import { blower, gas, marked, relief, runOf } from '@/testing/family-samples';
import { press, show, type } from '@/testing/show-step';

afterEach(cleanup);

describe('a check that can fail', () => {
  test('is confirmed as it is', async () => {
    const added = show(runOf(gas), 'seal');
    await press('Yes, it is so');
    expect(added).toEqual([{ type: 'step_done', step_id: 'seal' }]);
  });

  test('takes the valve out of service only after it is asked once more', async () => {
    const added = show(runOf(gas), 'seal');
    await press('No');
    expect(added).toEqual([]);
    const dialog = screen.getByRole('dialog', { name: 'Out of service?' });
    expect(within(dialog).getByText(/what was moved goes back/)).toBeTruthy();
    await press('Take it out of service');
    expect(added).toEqual([
      { type: 'condemned', step_id: 'seal', reason: 'Seal wire broken or missing on the main cap' },
    ]);
  });
});

describe('a question', () => {
  test('of a few answers is one press', async () => {
    const added = show(runOf(gas), 'small_flow');
    await press('No');
    expect(added).toEqual([
      { type: 'observed', key: 'small_flow', value: 'no' },
      { type: 'step_done', step_id: 'small_flow' },
    ]);
  });

  test('of a pressure takes any unit, and says what it cannot read', async () => {
    const added = show(runOf(blower), 'machine_figure');
    await type('Maker’s corrected figure', '4 L/s');
    expect(screen.getByRole('alert').textContent).toContain('a pressure is asked for');
    await type('Maker’s corrected figure', '0.29 bar');
    await press(/^It is 29 kPa/);
    expect(added[0]).toEqual({
      type: 'observed',
      key: 'maker_max',
      value: expect.closeTo(29_000, 3),
    });
  });

  test('pressed again with another figure while the first is being kept: said once', async () => {
    const kept: RunEventDraft[] = [];
    let letOn: (isKept: boolean) => void = () => undefined;
    show(runOf(blower), 'machine_figure', {
      add: (draft) => {
        kept.push(draft);
        return new Promise((done) => (letOn = done));
      },
    });
    await type('Maker’s corrected figure', '29 kPa');
    await press(/^It is 29 kPa/);
    await type('Maker’s corrected figure', '31 kPa');
    await press(/^It is 31 kPa/);
    expect(kept).toHaveLength(1);
    await act(async () => letOn(true));
    expect(kept[1]).toEqual({ type: 'step_done', step_id: 'machine_figure' });
  });

  test('may stay open where it may', async () => {
    const added = show(runOf(blower), 'machine_figure');
    await press('not known: go on');
    expect(added).toEqual([{ type: 'step_done', step_id: 'machine_figure' }]);
  });
});

describe('the spring', () => {
  test('that is wrong is changed to the one the chart asks for', async () => {
    const added = show(runOf(blower), 'spring');
    expect(screen.getByText('fitted')).toBeTruthy();
    expect(screen.getByText('asked for')).toBeTruthy();
    await press('Changed to blue, cover on');
    expect(added).toEqual([
      { type: 'spring_changed', step_id: 'spring', adjuster: 'main', colour: 'blue' },
      { type: 'step_done', step_id: 'spring' },
    ]);
  });

  test('that is right is only confirmed', async () => {
    const right = { ...blower, plate: { ...blower.plate, fitted_spring: 'blue' } };
    const added = show(runOf(right), 'spring');
    await press('The blue one is in');
    expect(added).toEqual([{ type: 'step_done', step_id: 'spring' }]);
  });
});

const parkedAndRead: RunEventDraft[] = [
  { type: 'step_done', step_id: 'park' },
  {
    type: 'reading',
    step_id: 'line',
    role: 'inlet',
    purpose: 'line',
    reading: {
      si: 1_176_000,
      entered: { text: '1176', unit: 'kPa' },
      gauge_id: 'g-4',
      source: 'typed',
    },
    settled: true,
  },
];

/** Every gauge of a run hung so high above its tapping, m. */
const hung = (run: Run, height: number): Run => ({
  ...run,
  gauges: Object.fromEntries(
    Object.entries(run.gauges).map(([side, gauge]) => [
      side,
      { ...gauge!, height_above_tapping_m: height },
    ]),
  ),
});

describe('a setting read by hand', () => {
  const readAs = async (answer: string, height = 0) => {
    const added = show(hung(runOf(gas), height), 'come_up');
    await press(/Read gauge/);
    await type(/^Reading of/, '2.05 kPa');
    await press(answer);
    return added;
  };
  test.each([
    ['Take it: steady, a little flows', { in_control: true }],
    ['steady, nothing flows', { in_control: false }],
    ['still moving', { settled: false }],
  ])('%s', async (answer, over) => {
    expect(await readAs(answer)).toMatchObject([
      { type: 'reading', purpose: 'setting', reading: { si: 2050, source: 'typed' }, ...over },
    ]);
  });

  test('gas in the line weighs nothing, however high its gauge hangs', async () => {
    expect(await readAs('still moving', 10)).toMatchObject([{ reading: { si: 2050 } }]);
  });

  test('water in the line is added, and what the gauge showed is kept', async () => {
    const added = show(hung(runOf(relief, parkedAndRead), 2), 'first_dribble');
    await press('First dribble');
    await type('Reading of G-04', '1174 kPa');
    expect(screen.getByText(/^at its tapping 1\s?194/)).toBeTruthy();
    await press('Take it');
    const head = 998.2 * 9.80665 * 2;
    expect(added).toMatchObject([
      { reading: { si: expect.closeTo(1_174_000 + head, 3), entered: { unit: 'kPa' } } },
    ]);
  });
});

describe('looking for the first dribble', () => {
  test('advises a turn that lowers, and records it', async () => {
    const added = show(runOf(relief, parkedAndRead), 'first_dribble');
    expect(screen.getByTestId('next-move').textContent).toMatch(/anticlockwise/);
    await press(/^Turned/);
    expect(added).toEqual([{ type: 'turned', adjuster: 'main', turns: expect.any(Number) }]);
    expect((added[0] as { turns: number }).turns).toBeLessThan(0);
  });

  test('asks at what pressure it dribbles where the gauge is typed', async () => {
    const added = show(runOf(relief, parkedAndRead), 'first_dribble');
    await press('First dribble');
    await type('Reading of G-04', '1174 kPa');
    await press('Take it');
    expect(added).toMatchObject([
      { type: 'marked', mark: 'cracked', cycle: 1, reading: { si: 1_174_000, source: 'typed' } },
    ]);
  });

  test('goes on once it has dribbled', async () => {
    const events = [...parkedAndRead, marked('first_dribble', 'cracked', 1, 1174)];
    const added = show(runOf(relief, events), 'first_dribble');
    await press(/It dribbles at/);
    expect(added).toEqual([{ type: 'step_done', step_id: 'first_dribble' }]);
  });
});

describe('a setting by count', () => {
  test('tells how far and how rough, then goes on', async () => {
    const cracked = [...parkedAndRead, marked('first_dribble', 'cracked', 1, 950)];
    const added = show(runOf(relief, cracked, 'count_turns'), 'raise_by_count');
    expect(screen.getByText(/^± \d/)).toBeTruthy();
    await press(/^Turned/);
    expect(added).toEqual([{ type: 'turned', adjuster: 'main', turns: 1 }]);
    cleanup();
    const turned: RunEventDraft = { type: 'turned', adjuster: 'main', turns: 1 };
    const after = show(runOf(relief, [...cracked, turned], 'count_turns'), 'raise_by_count');
    expect(screen.getByText('As counted')).toBeTruthy();
    await press('Counted: next');
    expect(after).toEqual([{ type: 'step_done', step_id: 'raise_by_count' }]);
  });
});

describe('capturing cycles', () => {
  const whole = (cycle: number, kpa: number) => [
    marked('prove_cycles', 'cracked', cycle, kpa),
    marked('prove_cycles', 'reseated', cycle, kpa - 80),
  ];

  test('offers first the dribble, then tight again', async () => {
    show(runOf(relief), 'prove_cycles');
    expect(screen.getByTestId('mark-cracked')).toBeTruthy();
    cleanup();
    show(runOf(relief, [marked('prove_cycles', 'cracked', 1, 1182)]), 'prove_cycles');
    expect(screen.getByTestId('mark-reseated')).toBeTruthy();
    expect(screen.queryByTestId('mark-cracked')).toBeNull();
  });

  test('is done after three whole cycles within the lane', async () => {
    const added = show(
      runOf(relief, [...whole(1, 1182), ...whole(2, 1180), ...whole(3, 1179)]),
      'prove_cycles',
    );
    expect(screen.getByTestId('cycle-chart').getAttribute('aria-label')).toMatch(
      /cycle 3: cracked/,
    );
    await press('It holds: next');
    expect(added).toEqual([{ type: 'step_done', step_id: 'prove_cycles' }]);
  });

  test('asks for a turn when it cracks outside the lane', async () => {
    const added = show(
      runOf(relief, [...whole(1, 1100), ...whole(2, 1102), ...whole(3, 1101)]),
      'prove_cycles',
    );
    expect(screen.getByText('It cracks outside its lane')).toBeTruthy();
    await press(/^Turned .*[^i]clockwise/);
    expect(added).toMatchObject([{ type: 'turned', adjuster: 'main' }]);
  });

  test('a mark is moved by naming a new pressure', async () => {
    const added = show(runOf(relief, whole(1, 1182)), 'prove_cycles');
    await press('move a mark');
    await press('Move First dribble, cycle 1');
    await type('Reading of G-04', '1178 kPa');
    await press('Take it');
    expect(added).toMatchObject([
      { type: 'marked', mark: 'cracked', cycle: 1, replaces: 'e0001', reading: { si: 1_178_000 } },
    ]);
  });

  test('never opened takes it out of service, with a note', async () => {
    const added = show(runOf(relief), 'prove_cycles');
    await press('never opened');
    expect(added.map(({ type: kind }) => kind)).toEqual(['note', 'condemned']);
  });
});
