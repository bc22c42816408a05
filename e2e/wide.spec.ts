import { expect, test } from './technician';

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
  await expect(page.getByRole('button', { name: /PRV-03/ })).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('race');
  await expect(page.getByRole('button', { name: /PRV-14/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /PRV-03/ })).toHaveCount(0);
});
