import {
  begin,
  confirmUntil,
  expect,
  isFit,
  sheetsOf,
  signAndOpen,
  signIn,
  test,
  typeReading,
} from './technician';
import { beginAt } from './rehearsed';
import { look, moved } from './walk';

/** A valve in the technician's hands: 150 kPa a turn, read on a hand-held gauge. */
class HandValve {
  turns = 0;
  pressure = () => Math.round(this.turns * 150);
}

/** Turns as the button says them: "Turned 1", "Turned 2 3/8", "Turned 1/32". */
function turnsIn(words: string): number {
  const [, whole, part, of] = /^Turned (?:(\d+)(?!\/|\d))? ?(?:(\d+)\/(\d+))?/u.exec(words)!;
  const turns = Number(whole ?? 0) + (part ? Number(part) / Number(of) : 0);
  if (!(turns > 0)) throw new Error(`no turns in "${words}"`);
  return turns;
}

test('the same with a hand-held gauge: every reading typed, in the units at hand', async ({
  page,
  request,
}) => {
  const hand = new HandValve();
  // By a technician who signs in on this very phone: its key goes under the sheet.
  await signIn(page.request);
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.getByTestId('be-tomas').click();
  await page.getByRole('radio', { name: 'Hill round' }).click();
  await expect(page.getByText('In setting order')).toBeVisible();
  await begin(page, 'prv-05', 'typed');
  await confirmUntil(page, /Read the outlet as found/);
  await typeReading(page, '5,4 bar');
  await confirmUntil(page, /Read the inlet/);
  await typeReading(page, '300 kPa');
  await expect(page.getByText(/must stand at/).first()).toBeVisible();
  await typeReading(page, '135 psi');
  await expect(page.getByText('next move').or(page.getByText('Read the gauge'))).not.toHaveCount(0);

  await typeReading(page, '0');
  for (let i = 0; i < 15 && !(await page.getByTestId('in-lane').isVisible()); i++) {
    await expect(page.getByTestId('turned')).toBeVisible();
    hand.turns += turnsIn(await page.getByTestId('turned').innerText());
    await page.getByTestId('turned').click();
    await expect(page.getByText('Read the gauge.')).toBeVisible();
    await typeReading(page, `${hand.pressure()} kPa`);
    await expect(page.getByTestId('turned').or(page.getByTestId('in-lane'))).toBeVisible();
  }
  await page.getByTestId('in-lane').click();

  await page.getByLabel('Flow').fill('0.5 L/s');
  await page.getByRole('button', { name: /It is/ }).click();
  await expect(page.getByText(/below the least flow/).first()).toBeVisible();
  await page.getByLabel('Flow').fill('3 L/s');
  await page.getByRole('button', { name: /It is/ }).click();
  await page.getByTestId('confirm-step').click();
  await typeReading(page, `${hand.pressure() - 12} kPa`);
  await page.getByTestId('confirm-step').click();
  for (const rise of [8, 18, 24, 26, 26, 26]) {
    const seen = await look(page);
    await typeReading(page, `${hand.pressure() + rise} kPa`);
    await moved(page, seen);
  }
  // A few seconds tell nothing yet: it says so, and lets a person stop all the same.
  await expect(page.getByTestId('read-gauge')).toContainText('Watch on');
  await page.getByRole('button', { name: 'stop here, not told' }).click();
  await confirmUntil(page, /Read the outlet as left/);
  await typeReading(page, `${hand.pressure()} kPa`);
  await expect(page.getByText('Put everything back')).toBeVisible();
  for (const name of [/Gauges off/, /Outlets back/])
    await page.getByRole('button', { name }).click();
  await page.getByTestId('confirm-step').click();
  await signAndOpen(page);
  const sheet = (await sheetsOf(request, 'prv-05', 'record')).at(-1)!;
  expect(sheet.body.settings[0]!.as_left_pa).toBe(hand.pressure() * 1000);
  expect(sheet.body['rehearsal']).toBe(false);
  expect(sheet.body.settings[0]!.as_found_pa).toBe(540_000);
  expect(sheet.body['technician']).toBe('Tomas Brandt');
  // For whom and by whose leave: the round has told it.
  expect(sheet.body['job']).toMatchObject({ order: 'LH-2207', permit: 'W-118' });
  await expect(page.getByText('LH-2207')).toBeVisible();
  await expect(page.getByText(/^by key [0-9a-f]{12}$/u)).toBeVisible();
});

test('what is typed wrong is said, and what looks wrong is asked', async ({ page }) => {
  await begin(page, 'prv-12', 'typed');
  await confirmUntil(page, /Read the outlet as found/);
  await page.getByTestId('read-gauge').click();
  const pad = page.getByLabel(/^Reading of/);
  const alert = page.getByRole('alert');
  await pad.fill('kPa');
  await expect(alert).toContainText('no number');
  await pad.fill('4 L/s');
  await expect(alert).toContainText('a pressure is asked for');
  await pad.fill('1,180');
  await expect(alert).toContainText('two ways');
  await pad.fill('-20 kPa');
  await expect(page.getByText(/less than nothing/)).toBeVisible();
  await pad.fill('4400 kPa');
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByText(/beyond G-12’s range. Typed right/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Type it again' }).click();
  await typeReading(page, '440 kPa');
  await expect(page.getByText('Shut the downstream isolator')).toBeVisible();
});

test('a watch that a logger has kept is lined up by both clocks, and taken over', async ({
  page,
}) => {
  await beginAt(page, 'prv-07', 'no_flow', { purpose: 'record' });
  await page.getByRole('button', { name: 'from a log' }).click();
  const drop = async (text: string) => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByTestId('pick-log').click();
    const buffer = Buffer.from(text);
    await (await chooser).setFiles({ name: 'night.csv', mimeType: 'text/csv', buffer });
  };
  // A sample a second, by a clock that is an hour ahead: the outlet rises a little and levels.
  const startsAt = Date.now() + 3_600_000 - 7_200_000;
  const row = (i: number) =>
    `${new Date(startsAt + i * 1000).toISOString()},${(412 + 6 * (1 - Math.exp(-i / 20))).toFixed(1)}`;
  const rows = Array.from({ length: 7201 }, (_, i) => row(i));
  await drop(['time,pressure (kPa)', ...rows].join('\n'));
  const begins = page.getByLabel('Nothing flows from');
  const before = Number(await begins.inputValue());
  await page.getByLabel('Its clock is ahead of this phone’s by').fill('3600');
  expect(Number(await begins.inputValue())).toBe(before + 3600);
  await begins.fill('7190');
  await expect(page.getByRole('alert')).toContainText('only 10 s lie in this log; 60 s are wanted');
  await begins.fill('3600');
  await isFit(page);
  await page.getByTestId('keep-log').click();
  await expect(page.getByText('rises and levels')).toBeVisible();
  await expect(page.getByTestId('confirm-step')).toHaveText(/It holds: next/);
  await expect(page.getByRole('button', { name: 'one more reading' })).toHaveCount(0);
});
