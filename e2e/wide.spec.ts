import { expect, isFit, test } from './technician';

test('three panes, and keys for everything', async ({ page }) => {
  await page.goto('/runs/prv-07-visit-3');
  await expect(page.getByRole('complementary', { name: 'Steps' })).toBeVisible();
  await expect(page.getByRole('complementary', { name: /Open ends/ })).toBeVisible();
  await expect(page.getByTestId('turned')).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByText('turned as advised')).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('t');
  await expect(page.getByTestId('turned')).toBeHidden();
  await page.keyboard.press('u');
  await expect(page.getByTestId('turned')).toBeVisible();
  await page.keyboard.press('d');
  await expect(page.getByRole('dialog', { name: /doesn’t answer/ })).toBeVisible();
});

test('/ finds a valve', async ({ page }) => {
  await page.goto('/valves');
  await expect(page.getByRole('row', { name: /PRV-03/ })).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('race');
  await expect(page.getByRole('row', { name: /PRV-14/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /PRV-03/ })).toHaveCount(0);
});

test('the register is a table: sorted, walked by keys, the valve beside it, and opened', async ({
  page,
}) => {
  await page.goto('/valves');
  const table = page.getByRole('table', { name: 'Valves' });
  await table.getByRole('row').nth(1).focus();
  await page.keyboard.press('End');
  await expect(page.getByRole('region', { name: /^VRV-01/ })).toBeVisible();
  await table.getByRole('button', { name: 'Next look' }).click();
  await page.keyboard.press('Tab');
  await isFit(page);
  await page.getByRole('button', { name: 'filter by column' }).click();
  await page.getByLabel('Only rows with, in Asked for').fill('440');
  await page.getByLabel('Only rows with, in Tag').fill('prv');
  await expect(page.getByRole('row', { name: /RV-11/ })).toHaveCount(0);
  await isFit(page);
  await page.getByLabel('Only rows with, in Tag').fill('no such tag');
  await expect(page.getByText('No row has all of these words.')).toBeVisible();
  await page.getByRole('button', { name: 'all rows' }).click();
  await expect(page.getByRole('row', { name: /RV-11/ })).toBeVisible();
  await page.getByRole('row', { name: /PRV-12/ }).click();
  await expect(page.getByRole('region', { name: /^PRV-12/ })).toContainText('440');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/valves\/prv-12$/u);
  await expect(page.getByRole('heading', { level: 1, name: 'PRV-12' })).toBeVisible();
  await isFit(page);
});

test('sheets are a table, and what the selected one says stands beside it', async ({ page }) => {
  await page.goto('/sheets');
  await page.getByRole('row', { name: /RV-11/ }).first().click();
  await expect(page.getByRole('region', { name: /RV-11/ })).toContainText('What was proved');
  await isFit(page);
  await page.getByRole('button', { name: 'open the sheet, take it away' }).click();
  await expect(page).toHaveURL(/sheets\/./u);
});

test('the bench by keyboard: a sum is opened, figured, kept in its address and copied', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.goto('/bench');
  await expect(page.getByRole('button', { name: 'Signals' })).toBeVisible();
  await page.keyboard.press('2');
  await page.getByLabel('Value').focus();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('8 mA');
  const answer = page.getByTestId('answer');
  await expect(answer).toContainText('6 psi');
  await expect(answer).toContainText('40 kPa');
  await expect(page).toHaveURL(/value=8(\+|%20)mA/);
  await page.keyboard.type('x');
  await expect(answer).toContainText('no unit known');
  await page.keyboard.press('Backspace');
  await page.getByTestId('copy').focus();
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('copy')).toHaveText('Copied');
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain('3 to 15 psi: 6 psi');
  await page.reload();
  await expect(page.getByTestId('answer')).toContainText('6 psi');
});

test('the bench starts from a valve’s plate, and fits a step test that is dropped in', async ({
  page,
}) => {
  await page.goto('/valves/pos-22');
  await page.getByRole('button', { name: 'sums on the bench' }).click();
  await page.getByRole('button', { name: 'Signals' }).click();
  await expect(page.getByLabel('Works from')).toHaveValue('50');
  await expect(page.getByTestId('answer')).toContainText('No air');
  await page.goto('/bench/tuning');
  const drop = async (rows: readonly string[]) => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByTestId('pick-step').click();
    await (
      await chooser
    ).setFiles({ name: 'step.csv', mimeType: 'text/csv', buffer: Buffer.from(rows.join('\n')) });
  };
  await drop([
    'time,output,value',
    ...Array.from({ length: 90 }, (_, t) => `${t},40,${50 + (t % 3) / 10}`),
  ]);
  await expect(page.getByRole('alert')).toContainText('No settings are proposed');
  const value = (t: number) => (t > 26 ? 50 + 12 * (1 - Math.exp(-(t - 26) / 30)) : 50);
  await drop([
    'time,output,value',
    ...Array.from({ length: 200 }, (_, t) => `${t},${t < 20 ? 40 : 48},${value(t).toFixed(3)}`),
  ]);
  await expect(page.getByTestId('proposed-band')).toHaveText(/^(5[5-9]|6[0-5]) %$/);
  await page.getByLabel('Band now').fill('30');
  await expect(page.getByTestId('loop-chart')).toHaveAttribute('aria-label', /do not settle/);
});
