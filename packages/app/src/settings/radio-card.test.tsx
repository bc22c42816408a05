import { defaultHouseRules, type HouseRules } from '@holvek/core';
import { screen, waitFor } from '@testing-library/react';
import { changePreferences } from '@/prefs/preferences';
import { press, showOverRules, type } from '@/testing/with-house-rules';
import { RadioCard } from './radio-card';

const service = '6e400001-b5a3-f393-e0a9-e50e24dcca9e';
const short = (digits: string) => `0000${digits}-0000-1000-8000-00805f9b34fb`;

function shown(role: 'owner' | 'technician', rules?: HouseRules) {
  changePreferences({ role });
  return showOverRules(<RadioCard />, rules);
}

test('the service of gauges is set once by an owner, by short names or whole ones', async () => {
  const sent = await shown('owner');
  await press('set the service');
  await type('Service', service.toUpperCase());
  await type('Tells its lines', 'FFE');
  await press('Keep it');
  expect(await screen.findByText(/As its maker names it/u)).toBeTruthy();
  expect(sent).toEqual([]);
  await type('Tells its lines', 'FFE1');
  await press('Keep it');
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]).toEqual({ ...defaultHouseRules, gauge_radio: { service, hears: short('ffe1') } });
});

test('it is read by everybody, and taken away by an owner alone', async () => {
  const gauge_radio = { service, hears: short('ffe1'), says: short('ffe2') };
  const sent = await shown('owner', { ...defaultHouseRules, gauge_radio });
  expect(await screen.findByText(short('ffe2'))).toBeTruthy();
  await press('set the service');
  await press('no service any more');
  await waitFor(() => expect(sent).toEqual([defaultHouseRules]));
});

test('a technician is told whom to ask', async () => {
  await shown('technician');
  expect(screen.queryByRole('button', { name: 'set the service' })).toBeNull();
});
