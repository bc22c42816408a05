import { SWEEP_GAINS, type RunEventDraft } from '@holvek/core';
import { act, cleanup, screen } from '@testing-library/react';
import { burner, controller, positioner, pressureSwitch, runOf } from '@/testing/family-samples';
import { press, show, type } from '@/testing/show-step';

afterEach(cleanup);

const reading = (si: number) => ({
  si,
  entered: { text: String(si / 1000), unit: 'kPa' },
  gauge_id: 'g-4',
  source: 'typed' as const,
});
const pad = async (text: string) => {
  await type(/^Reading of/, text);
  await press('Take it');
};

describe('a switch, typed', () => {
  test('each edge is read where it is seen', async () => {
    const added = show(runOf(pressureSwitch), 'set_band');
    await press(/It (made|broke)/);
    await pad('702');
    expect(added).toMatchObject([
      {
        type: 'switched',
        step_id: 'set_band',
        edge: 'cut_out',
        cycle: 1,
        reading: { si: 702_000, source: 'typed' },
      },
    ]);
  });

  test('after a whole cycle the screw that brings the band in is named, and how far', async () => {
    const seen = (edge: 'cut_in' | 'cut_out', si: number): RunEventDraft => ({
      type: 'switched',
      step_id: 'set_band',
      role: 'inlet',
      edge,
      cycle: 1,
      reading: reading(si),
    });
    const added = show(
      runOf(pressureSwitch, [seen('cut_out', 702_000), seen('cut_in', 600_000)]),
      'set_band',
    );
    expect(screen.getByTestId('next-move').textContent).toMatch(/clockwise/);
    await act(async () => screen.getByTestId('turned').click());
    expect(added[0]).toMatchObject({ type: 'turned' });
  });
});

describe('the edges of a flame, typed', () => {
  test('the manometer is read, the light is tried, and what was seen is kept with it', async () => {
    const added = show(runOf(burner), 'find_edges');
    await act(async () => screen.getByTestId('read-manometer').click());
    await pad('1.7 kPa');
    await act(async () => screen.getByTestId('lit').click());
    expect(added).toMatchObject([{ type: 'light_tried', lit: true, reading: { si: 1700 } }]);
  });

  test('gas that does not stand where it was asked for is turned, not lit', async () => {
    const added = show(runOf(burner), 'find_edges');
    await act(async () => screen.getByTestId('read-manometer').click());
    await pad('1.2 kPa');
    expect(screen.queryByTestId('lit')).toBeNull();
    await act(async () => screen.getByTestId('turned').click());
    expect(added).toMatchObject([{ type: 'turned', adjuster: 'main', turns: 1 }]);
  });

  test('after a failed light nothing can be tried before the purge has run', () => {
    const failed: RunEventDraft = {
      type: 'light_tried',
      step_id: 'find_edges',
      role: 'outlet',
      reading: reading(700),
      lit: false,
    };
    show(runOf(burner, [failed]), 'find_edges');
    expect(screen.getByText('Purge first')).toBeTruthy();
    expect(screen.queryByTestId('lit')).toBeNull();
    expect(screen.getByTestId('purged').getAttribute('aria-disabled')).toBe('true');
  });
});

describe('a sweep of the band, typed', () => {
  const swept = (output: (gain: number) => number): RunEventDraft[] =>
    SWEEP_GAINS.map((gain) => ({
      type: 'swept',
      step_id: 'sweep',
      gain,
      role: 'outlet',
      reading: reading(output(gain)),
    }));

  test('the output is read at one band after the other', async () => {
    const added = show(runOf(controller), 'sweep');
    await press(/Read output at reverse, 20 %/);
    await pad('60');
    expect(added).toMatchObject([{ type: 'swept', gain: -5, reading: { si: 60_000 } }]);
  });

  test('flat goes on, leaning says which way to realign, wandering says to look for a leak', () => {
    show(
      runOf(
        controller,
        swept(() => 60_000),
      ),
      'sweep',
    );
    expect(screen.getByText('Output stays put: next')).toBeTruthy();
    cleanup();
    show(
      runOf(
        controller,
        swept((gain) => 60_000 + 3000 * gain),
      ),
      'sweep',
    );
    expect(screen.getByTestId('next-move').textContent).toMatch(/clockwise/);
    cleanup();
    show(
      runOf(
        controller,
        swept((gain) => 60_000 + (Math.abs(gain) > 2 ? 9000 : 0)),
      ),
      'sweep',
    );
    expect(screen.getByTestId('next-move').textContent).toBe('Look for a leak');
  });
});

describe('a step test, typed', () => {
  const lines = (value: (t: number) => number) =>
    Array.from(
      { length: 60 },
      (_, i) => `${i * 4}, ${i < 10 ? 50 : 58}, ${value(i * 4).toFixed(2)}`,
    ).join('\n');
  const give = async (text: string) => {
    const added = show(runOf(controller), 'tune');
    await press('Type or paste the test');
    await type('Lines of the step test', text);
    await press('Fit it');
    return added;
  };

  test('lines are read and kept as they were given', async () => {
    const added = await give(lines((t) => 50 + (t > 44 ? 8 * (1 - Math.exp(-(t - 44) / 25)) : 0)));
    expect(added).toMatchObject([{ type: 'step_tested', source: 'typed' }]);
    expect(added[0]!.type === 'step_tested' && added[0]!.samples).toHaveLength(60);
  });

  test('without a step nothing is proposed, and it is said', () => {
    const still: RunEventDraft = {
      type: 'step_tested',
      step_id: 'tune',
      source: 'typed',
      samples: Array.from({ length: 40 }, (_, t) => [t, 50, 50]),
    };
    show(runOf(controller, [still]), 'tune');
    expect(screen.getByRole('alert').textContent).toMatch(/No settings are proposed/);
    expect(screen.queryByTestId('dial')).toBeNull();
  });
});

describe('the signal source, by hand', () => {
  test('says what to give, and keeps a dead band in any unit of the signal', async () => {
    const added = show(runOf(positioner), 'as_found');
    await press('source');
    expect(screen.getByText('12.00 mA gives 50.0 %')).toBeTruthy();
    await type('Turned back at', '12.00');
    await type('Output moved at', '11.92 mA');
    await press('Keep it');
    expect(added).toMatchObject([{ type: 'observed', key: 'dead_band_as_found' }]);
    expect(added[0]!.type === 'observed' && added[0]!.value).toBeCloseTo(0.005, 9);
  });

  test('what is no signal is said, and cannot be kept', async () => {
    show(runOf(positioner), 'as_found');
    await press('source');
    await type('Turned back at', '5 psi');
    expect(screen.getByText('A signal, such as 12.04.')).toBeTruthy();
  });

  test('what can be wrong is there where nothing answers', async () => {
    show(runOf(positioner), 'as_found');
    await press('it doesn’t answer');
    expect(screen.getByText('The air supply is low')).toBeTruthy();
  });
});
