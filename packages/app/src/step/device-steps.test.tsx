import { fromCounts, registerAt, registers, type RunEventDraft } from '@holvek/core';
import { act, cleanup, screen, waitFor } from '@testing-library/react';
import { electronic, runOf } from '@/testing/family-samples';
import { press, show, type, units } from '@/testing/show-step';
import { readRegisterText, registerWords } from '@/device/device-words';

afterEach(cleanup);

const stroked = {
  type: 'stroked',
  step_id: 'stroke',
  closed: 300,
  open: 3500,
  seconds: 20,
  source: 'typed',
} as const;

/** A unit whose registers hold what is written; `twist` changes what one of them shows. */
function unit(twist: Readonly<Record<number, number>> = {}, state = 3) {
  const held: Record<number, number> = {
    30_003: 1000,
    30_004: 3500,
    30_005: state,
    30_006: 300,
    30_007: 3500,
    30_008: 201,
    40_009: 1500,
    40_010: 180,
    30_009: 181,
    30_010: 230,
  };
  const lines: string[] = [];
  const ask = async (line: string) => {
    lines.push(line);
    const [verb, address, counts] = line.split(' ');
    const at = Number(address);
    if (verb === 'W') held[at] = Number(counts);
    return `= ${at} ${verb === 'W' ? counts : (twist[at] ?? held[at] ?? 0)}`;
  };
  return { ask, lines };
}

describe('cables before power', () => {
  test('say what is left over, and change as figures are typed', async () => {
    const added = show(runOf(electronic), 'cables');
    expect(screen.getByTestId('volts-loop').textContent).toBe('4.8');
    await type(/Sensor loop: Length/, '150');
    await press('Enough at both ends: next');
    expect(added).toEqual([
      { type: 'observed', key: 'cable_loop_length_m', value: 150 },
      { type: 'step_done', step_id: 'cables' },
    ]);
  });

  test('too thin says how far it would reach and what to take; figures are kept, the step is not passed', async () => {
    const added = show(runOf(electronic), 'cables');
    await act(async () => undefined);
    await type(/Actuator supply: Length/, '80');
    expect(screen.queryByText(/Too thin/)).toBeNull();
    await type(/Actuator supply: Conductor/, '0.75');
    expect(
      screen.getByText(/Too thin: this wire reaches \d+ m\. At this length take/),
    ).toBeTruthy();
    await press('Not enough: keep figures, leave it off');
    expect(added.map(({ type: kind }) => kind)).toEqual(['observed', 'observed']);
  });

  test('what is typed on while figures are being kept stays, and cannot be kept before they are', async () => {
    let letOn: (isKept: boolean) => void = () => undefined;
    show(runOf(electronic), 'cables', { add: () => new Promise((done) => (letOn = done)) });
    await type(/Actuator supply: Length/, '200');
    await press('Not enough: keep figures, leave it off');
    await type(/Actuator supply: Conductor/, '0.8');
    const button = screen.getByTestId('confirm-step');
    expect(button.getAttribute('aria-disabled')).toBe('true');
    await act(async () => letOn(true));
    const field = (label: RegExp) => (screen.getByLabelText(label) as HTMLInputElement).value;
    expect(field(/Actuator supply: Conductor/)).toBe('0.8');
    expect(button.getAttribute('aria-disabled')).not.toBe('true');
  });

  test('a conductor may be named by its gauge number', async () => {
    const added = show(runOf(electronic), 'cables');
    await type(/Actuator supply: Length/, '80');
    await type(/Actuator supply: Conductor/, 'AWG 18');
    expect(screen.getByText(/Too thin/)).toBeTruthy();
    await press('Not enough: keep figures, leave it off');
    const [, area] = added as unknown as readonly {
      readonly key: string;
      readonly value: number;
    }[];
    expect(area?.key).toBe('cable_power_area_m2');
    expect(area!.value * 1e6).toBeCloseTo(0.823, 3);
  });

  test('no figure, no sum', async () => {
    show(runOf(electronic), 'cables');
    await type(/Sensor loop: Supply/, '');
    expect(screen.getByRole('alert').textContent).toBe('The supply must stand above nothing.');
    expect(screen.getByTestId('confirm-step').getAttribute('aria-disabled')).toBe('true');
  });
});

describe('terminals', () => {
  test('each is ticked by itself, and a tick is taken back by another tap', async () => {
    const added = show(
      runOf(electronic, [{ type: 'observed', key: 'terminal_earth', value: 'right' }]),
      'terminals',
    );
    expect(screen.getAllByRole('checkbox', { checked: true })).toHaveLength(1);
    expect(screen.getByTestId('confirm-step').textContent).toContain('8 still to look at');
    await act(async () => screen.getByRole('checkbox', { name: /Earth/ }).click());
    await act(async () => screen.getByRole('checkbox', { name: /tugged/ }).click());
    expect(added).toEqual([
      { type: 'observed', key: 'terminal_earth', value: 'open' },
      { type: 'observed', key: 'terminal_tug', value: 'right' },
    ]);
  });
});

describe('registers', () => {
  test('are written over the line, read back, and kept as the unit holds them', async () => {
    const { ask, lines } = unit();
    const added = show(runOf(electronic), 'application', { ask, isLinked: true });
    await press('Write all 2, read back');
    await waitFor(() => expect(added).toHaveLength(2));
    expect(lines).toEqual(['W 40001 1', 'R 40001', 'W 40006 5200', 'R 40006']);
    expect(added[1]).toEqual({
      type: 'register_set',
      step_id: 'application',
      register: 'set_value',
      value: 520_000,
      source: 'linked',
    });
  });

  test('what the unit made of it instead is kept and shown', async () => {
    const set = (register: 'application' | 'set_value', value: number): RunEventDraft => ({
      type: 'register_set',
      step_id: 'application',
      register,
      value,
      source: 'linked',
    });
    show(runOf(electronic, [set('application', 1), set('set_value', 500_000)]), 'application');
    expect(screen.getByText('shows 500.0 kPa')).toBeTruthy();
    expect(screen.getByText('read back right')).toBeTruthy();
    expect(screen.queryByTestId('confirm-step')).toBeNull();
  });

  test('no answer says what to do, and keeps what was read back', async () => {
    let n = 0;
    const { ask } = unit();
    const added = show(runOf(electronic), 'application', {
      ask: async (line) => (++n > 2 ? undefined : ask(line)),
    });
    await press('Write all 2, read back');
    await screen.findByText(/No answer from the unit/);
    expect(added).toHaveLength(1);
  });

  test('what the unit shows is typed as it is read out: dates, quantities in any unit, plain figures', () => {
    for (const [key, value] of [
      ['set_value', 523_400],
      ['trim_zero', -0.0187],
      ['clock_day', 9825],
      ['clock_minute', 847],
      ['log_interval', 20],
      ['gain', 1.25],
      ['current', 0.0124],
    ] as const)
      expect(readRegisterText(key, registerWords(key, value, units), units)).toBeCloseTo(value, 9);
    expect(readRegisterText('set_value', '5.2 bar', units)).toBe(520_000);
    for (const [key, text] of [
      ['clock_day', '25.11.2026'],
      ['clock_day', '2026-13-41'],
      ['clock_minute', '24:00'],
      ['gain', 'high'],
      ['gain', ''],
      ['set_value', '5 mA'],
    ] as const)
      expect(readRegisterText(key, text, units)).toBeUndefined();
  });

  test('another value than wanted is kept as it was read off', async () => {
    const added = show(runOf(electronic), 'application');
    await press(/^Set value.*should hold/);
    await type('Set value', '5,1 bar');
    await press('It shows this');
    expect(added).toEqual([
      {
        type: 'register_set',
        step_id: 'application',
        register: 'set_value',
        value: 510_000,
        source: 'typed',
      },
    ]);
  });

  test('a line that is down is said under every step', () => {
    show(runOf(electronic), 'application', { isLineDown: true });
    expect(screen.getByRole('alert').textContent).toMatch(/being opened again/);
  });

  test('keyed in by hand they are kept as shown, rounded to what the unit can hold', async () => {
    const added = show(runOf(electronic), 'logging');
    expect(screen.getByTestId('card-lasts').textContent).toMatch(
      /full after 185 days.*At 20 s it lasts 370/,
    );
    await press('Keyed in, shown as here');
    expect(added.map((draft) => draft.type === 'register_set' && draft.register)).toEqual([
      'clock_day',
      'clock_minute',
      'log_interval',
    ]);
  });

  test('are read out in words, quantities and dates', () => {
    const say = (address: number, counts: number) => {
      const register = registerAt(address)!;
      return registerWords(register.key, fromCounts(register, counts), units);
    };
    expect(say(40_001, 2)).toBe('back pressure');
    expect(say(40_006, 5200)).toBe('520.0 kPa');
    expect(say(40_004, -12)).toBe('−0.12 %');
    expect(say(40_012, 9825)).toBe('2026-11-25');
    expect(say(40_013, 847)).toBe('14:07');
    expect(say(30_002, 12_000)).toBe('12.00 mA');
    for (const { key } of registers) expect(registerWords(key, 1, units)).not.toBe('');
  });
});

describe('stroke and tuning', () => {
  test('the unit strokes itself, is followed, and its ends are kept', async () => {
    const { ask, lines } = unit();
    const added = show(runOf(electronic), 'stroke', { ask, isLinked: true });
    await press('Hands away: stroke it');
    await waitFor(() => expect(added).toHaveLength(1), { timeout: 5000 });
    expect(lines[0]).toBe('W 1 1');
    expect(added[0]).toEqual({ ...stroked, seconds: expect.closeTo(20.1, 6), source: 'linked' });
  });

  test('a unit that gives up is said, and nothing is kept', async () => {
    const added = show(runOf(electronic), 'stroke', { ...unit({}, 9), isLinked: true });
    await press('Hands away: stroke it');
    await screen.findByText(/gave up/, {}, { timeout: 5000 });
    expect(added).toEqual([]);
  });

  test('a short stroke is not passed, and says what can be wrong', async () => {
    show(runOf(electronic, [{ ...stroked, open: 2400 }]), 'stroke');
    expect(screen.getByText(/met something before its end/)).toBeTruthy();
    await press('what can be wrong');
    expect(screen.getByText('Something stands in the stroke')).toBeTruthy();
  });

  test('typed, both ends are asked for', async () => {
    const added = show(runOf(electronic), 'stroke');
    await press('Type both ends');
    await type('Shut', '300');
    await type('Open', '3500');
    await type('Shut to open', '20');
    await press('Keep them');
    expect(added).toEqual([stroked]);
  });

  test('with the trim that it was tuned for its tuning is kept, unless the hand says otherwise', async () => {
    const tuned = {
      ...electronic,
      plate: { ...electronic.plate, tuned_trim: 'Ported plug, DN 100' },
    } as typeof electronic;
    const added = show(runOf(tuned), 'self_tune');
    expect(screen.getByText(/Neither valve nor trim have changed/)).toBeTruthy();
    await press('tune all the same');
    await press('Type what it found');
    await type('Gain', '1.5');
    await type('Integral time', '18');
    await press('Keep them');
    expect(added).toEqual([
      {
        type: 'self_tuned',
        step_id: 'self_tune',
        period_s: 0,
        amplitude: 0,
        gain: 1.5,
        integral_s: 18,
        source: 'typed',
      },
    ]);
  });

  test('never tuned, it tunes itself over the line', async () => {
    const { ask } = unit();
    const added = show(runOf(electronic), 'self_tune', { ask, isLinked: true });
    await press('Let it tune itself');
    await waitFor(() => expect(added).toHaveLength(1), { timeout: 5000 });
    expect(added[0]).toMatchObject({
      type: 'self_tuned',
      gain: 1.5,
      integral_s: 18,
      source: 'linked',
    });
  });
});
