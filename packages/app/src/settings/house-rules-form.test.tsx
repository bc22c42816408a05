import { defaultHouseRules } from '@holvek/core';
import { cleanup, screen, waitFor } from '@testing-library/react';
import { changePreferences } from '@/prefs/preferences';
import { press, showOverRules, type } from '@/testing/with-house-rules';
import { HouseRulesForm } from './house-rules-form';

const shown = () => showOverRules(<HouseRulesForm />);
const isOff = () =>
  screen.getByRole('button', { name: 'Keep these figures' }).getAttribute('aria-disabled') ===
  'true';

beforeEach(() => changePreferences({ role: 'owner' }));

describe('the figures of the house', () => {
  test('are read by everybody, and kept by an owner alone', async () => {
    changePreferences({ role: 'supervisor' });
    await shown();
    expect(screen.queryByRole('button', { name: 'Keep these figures' })).toBeNull();
    expect(screen.getByText('To change a figure: ask an owner')).toBeTruthy();
    cleanup();
  });

  test('one that is changed is kept in SI, and all others as they were', async () => {
    const sent = await shown();
    expect(isOff()).toBe(true);
    await type('Lockup allowed on low-pressure gas, at least', '0.4');
    expect(isOff()).toBe(false);
    await press('Keep these figures');
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.lockup_gas).toEqual({ ...defaultHouseRules.lockup_gas, low_least_pa: 400 });
    const { lockup_gas: _, instruments: _instruments, ...others } = sent[0]!;
    const { lockup_gas: _ordinary, ...ordinary } = defaultHouseRules;
    expect(others).toEqual(ordinary);
  });

  test('one that is no number is named, and nothing can be kept', async () => {
    await shown();
    await type('Longest watch with nothing flowing', 'long');
    expect(screen.getByRole('alert').textContent).toMatch(/plain number/u);
    expect(isOff()).toBe(true);
  });

  test('the ordinary figure is a touch away', async () => {
    await shown();
    const field = screen.getByLabelText<HTMLInputElement>('Largest blowdown');
    expect(screen.queryByRole('button', { name: /back to the ordinary/u })).toBeNull();
    await type('Largest blowdown', '9');
    await press('back to the ordinary 15 %');
    expect(field.value).toBe('15');
  });

  test('is found by its words', async () => {
    await shown();
    await type('Find a figure', 'creep');
    expect(screen.getByLabelText('A rise that goes on is creep from')).toBeTruthy();
    expect(screen.queryByLabelText('Largest blowdown')).toBeNull();
    await type('Find a figure', 'nothing of the kind');
    expect(screen.getByText('No figure is called so.')).toBeTruthy();
  });
});
