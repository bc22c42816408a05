import {
  begin,
  expect,
  liveAt,
  quickRules,
  sheetsOf,
  signAndOpen,
  test,
  typeReading,
} from './technician';
import { byKeyboard } from './by-keyboard';
import { captureCycle, walkUntil } from './walk';
import { beginAt } from './rehearsed';
import type { Page } from '@playwright/test';

/** A run against the twin to the sheet on the server, from one of its steps on; without one, from where it stands. */
async function finish(page: Page, valve: string, from?: string) {
  if (from) await beginAt(page, valve, from);
  await walkUntil(page, /Put everything back/);
  await walkUntil(page, /Signing freezes/);
  await signAndOpen(page);
  return (await sheetsOf(page.request, valve)).at(-1)!.body;
}

const inLane = (left: number, target: number, tolerance: number) =>
  expect(Math.abs(left - target)).toBeLessThanOrEqual(tolerance);

test('sustaining: overdemand is insisted on, then it comes down from fully up', async ({
  page,
}) => {
  await beginAt(page, 'sus-03', 'outlets_normal');
  await page.getByLabel('Outlets in normal work').fill('4');
  await page.getByTestId('give-answer').click();
  await walkUntil(page, /How many outlets are open now/);
  await page.getByLabel('Outlets open now').fill('5');
  await page.getByTestId('give-answer').click();
  await expect(page.getByText(/at least 8 are wanted/).first()).toBeVisible();
  await walkUntil(page, /Put everything back/);
  await walkUntil(page, /Signing freezes/);
  await signAndOpen(page);
  const body = (await sheetsOf(page.request, 'sus-03')).at(-1)!.body;
  inLane(body.settings[0]!.as_left_pa, 840_000, 20_000);
});

test('combined: two adjusters in one run, sustaining first', async ({ page }) => {
  const body = await finish(page, 'sus-04', 'smallest_shift');
  expect(body.settings.map(({ adjuster }) => adjuster)).toEqual(['main', 'reducing']);
  inLane(body.settings[0]!.as_left_pa, 780_000, 20_000);
  inLane(body.settings[1]!.as_left_pa, 500_000, 20_000);
});

test('pilot relief by pressure: a proving cycle by the big buttons', async ({ page }) => {
  await page.request.put('/api/house-rules', { data: { ...quickRules, proving_cycles: 1 } });
  await liveAt(page, 10);
  await beginAt(page, 'rv-11', 'prove_cycles');
  await captureCycle(page);
  await expect(page.getByTestId('cycle-chart')).toHaveAttribute('aria-label', /cycle 1: cracked 1/);
  await page.getByRole('button', { name: 'move a mark' }).click();
  await page.getByRole('button', { name: 'Move First dribble, cycle 1' }).click();
  await typeReading(page, '1180 kPa');
  await expect(page.getByTestId('cycle-chart')).toHaveAttribute(
    'aria-label',
    /cycle 1: cracked 1.180/,
  );
  await walkUntil(page, /Put everything back/);
  await walkUntil(page, /Signing freezes/);
  await signAndOpen(page);
  const body = (await sheetsOf(page.request, 'rv-11')).at(-1)!.body;
  expect(body.settings[0]).toMatchObject({ method: 'by_pressure' });
  expect(body.cracking!.cycles.length).toBeGreaterThanOrEqual(1);
  // Ten times as fast as life, the same hand marks its dribble some percent late.
  inLane(body.settings[0]!.as_left_pa, 1_180_000, 80_000);
});

test('pilot relief by count is recorded as such, with its uncertainty', async ({ page }) => {
  await begin(page, 'rv-11', 'linked', 'Count turns');
  await walkUntil(page, /Put everything back/);
  await walkUntil(page, /Signing freezes/);
  await expect(page.getByText(/by count, not by pressure/)).toBeVisible();
  await signAndOpen(page);
  const body = (await sheetsOf(page.request, 'rv-11')).at(-1)!.body;
  expect(body.settings[0]!.method).toBe('by_count');
});

test('blower relief: the wrong spring is changed in practice, and the register learns nothing', async ({
  page,
  request,
}) => {
  await page.goto('/valves/bsv-02');
  await expect(
    page.getByText(/yellow spring is fitted; the target wants the blue one/),
  ).toBeVisible();
  await begin(page, 'bsv-02');
  const body = await finish(page, 'bsv-02');
  expect(body.plate.fitted_spring).toBe('blue');
  inLane(body.settings[0]!.as_left_pa, 26_500, 1000);
  expect(body.cracking!.cycles).toHaveLength(3);
  const valve = (await (await request.get('/api/valves/bsv-02')).json()) as {
    plate: { fitted_spring: string };
  };
  expect(valve.plate.fitted_spring).toBe('yellow');
});

test('vacuum relief: set below nothing, with a vacuum gauge only', async ({ page }) => {
  await page.goto('/valves/vrv-01/start');
  await page.getByRole('radio', { name: /G-12/ }).first().click();
  await expect(page.getByText('Target is beyond its range.')).toBeVisible();
  await expect(page.getByTestId('start-run')).toBeDisabled();
  const body = await finish(page, 'vrv-01', 'spring');
  inLane(body.settings[0]!.as_left_pa, -24_000, 1000);
});

test('hydraulic: four pressures, highest first, the compensator last', async ({ page }) => {
  const body = await finish(page, 'hpu-01', 'set_cross_b');
  expect(body.settings.map(({ adjuster }) => adjuster)).toEqual([
    'main',
    'cross_a',
    'cross_b',
    'compensator',
  ]);
  const targets = [230e5, 210e5, 210e5, 185e5];
  body.settings.forEach(({ as_left_pa: left }, i) => inLane(left, targets[i]!, 3e5));
});

test('gas, by keyboard alone: set on the pilot, slow answer waited for, leak test recorded', async ({
  page,
}) => {
  byKeyboard(page);
  const body = await finish(page, 'gr-05', 'small_flow');
  inLane(body.settings[0]!.as_left_pa, 2100, 100);
});

test('gas with a broken seal ends out of service, from its start to its sheet by keyboard alone', async ({
  page,
}) => {
  byKeyboard(page);
  await page.goto('/valves/gr-06');
  await expect(page.getByText('Seal wire broken or missing on the main cap').first()).toBeVisible();
  await begin(page, 'gr-06');
  await walkUntil(page, /seal wire on the main cap/);
  await page.getByTestId('fails').click();
  await page.getByTestId('condemn').click();
  await walkUntil(page, /Signing freezes/);
  await signAndOpen(page);
  const body = (await sheetsOf(page.request, 'gr-06')).at(-1)!.body;
  expect(body).toMatchObject({ outcome: 'out_of_service', settings: [] });
});

test('temperature regulator: set and proved in degrees, with a thermometer', async ({ page }) => {
  await beginAt(page, 'tr-09', 'come_to_it');
  await expect(page.getByTestId('read-gauge')).toHaveText(/^Read thermometer/);
  const { settings } = await finish(page, 'tr-09');
  inLane(settings[0]!.as_left_pa, 58, 1.5);
  await expect(page.locator('body')).toContainText('as left, °C');
  await expect(page.getByText('kPa')).toHaveCount(0);
});

test('self-operated: started in the computed order, its valves drawn as they move', async ({
  page,
}) => {
  await beginAt(page, 'sr-02', 'all_shut');
  await walkUntil(page, /Inlet block slowly open/);
  await expect(page.getByTestId('scheme')).toHaveAttribute(
    'aria-label',
    /Inlet block open, .*Outlet block shut/,
  );
  await walkUntil(page, /Put everything back/);
  await walkUntil(page, /Signing freezes/);
  await signAndOpen(page);
  inLane(
    (await sheetsOf(page.request, 'sr-02')).at(-1)!.body.settings[0]!.as_left_pa,
    400_000,
    12_000,
  );
});

test('self-operated: a shut-down is a run of its own, inlet bled before outlet', async ({
  page,
}) => {
  await page.goto('/valves/sr-04/start?practice=1');
  await page.getByRole('radio', { name: 'Shut down' }).click();
  await page.getByTestId('start-run').click();
  await walkUntil(page, /Bleed the inlet/);
  await expect(page.getByText(/reverse pressure/)).toBeVisible();
  await walkUntil(page, /Signing freezes/);
  await signAndOpen(page);
  expect((await sheetsOf(page.request, 'sr-04')).at(-1)!.body.outcome).toBe('sequence_done');
});
