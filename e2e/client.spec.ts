import type { Page } from '@playwright/test';
import { expect, isFit, test } from './technician';

test('sheets are handed to a client: he reads, checks and receives them without signing in, until it is ended', async ({
  page,
  browser,
  baseURL,
}) => {
  await page.goto('/sheets');
  await page.getByRole('button', { name: 'hand sheets to a client' }).click();
  await page.getByLabel('Client', { exact: true }).fill('Larkhollow water board');
  await page.getByLabel('Order or permit number, if any').fill('LW 118');
  await expect(page.getByTestId('make-client-link')).toBeDisabled();
  await page
    .getByRole('checkbox', { name: /^RV-11/u })
    .first()
    .click();
  await isFit(page);
  await page.getByTestId('make-client-link').click();
  const address = await page.getByLabel('Address for the client').inputValue();

  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    ...(baseURL ? { baseURL } : {}),
  });
  const client = await context.newPage();
  await client.goto(address);
  await expect(client.getByRole('heading', { name: 'Larkhollow water board' })).toBeVisible();
  await expect(client.getByText('LW 118 · handed over by Edda Lorenz')).toBeVisible();
  await expect(client.getByRole('heading', { name: /^RV-11/u })).toHaveCount(1);
  await expect(client.getByRole('link', { name: 'Valves' })).toHaveCount(0);
  await isFit(client);
  await client.getByRole('button', { name: 'Check RV-11' }).click();
  await expect(client.getByTestId('checked')).toContainText('holds');
  await client.getByRole('button', { name: 'Read it' }).click();
  await expect(client.getByText('What was proved')).toBeVisible();
  await isFit(client);
  const load = client.waitForEvent('download');
  await client.getByRole('button', { name: 'PDF' }).click();
  expect((await load).suggestedFilename()).toMatch(/\.pdf$/u);
  await client.getByLabel('Your name').fill('Ann Weir');
  await drawOn(client);
  await client.getByTestId('receive').click();
  await expect(client.getByTestId('received')).toContainText('Received by Ann Weir');
  await expect(client.getByRole('img', { name: 'Signed by hand: Ann Weir' })).toBeVisible();

  await page.reload();
  await expect(page.getByText(/received by Ann Weir/u)).toBeVisible();
  await expect(page.getByRole('img', { name: 'Signed by hand: Ann Weir' })).toBeVisible();
  await page.getByRole('button', { name: 'End the address of Larkhollow water board' }).click();
  await expect(page.getByText(/received by Ann Weir/u)).toHaveCount(0);
  await client.reload();
  await expect(client.getByText('Nothing is shown at this address')).toBeVisible();
  await context.close();
});

/** A hand that signs: first a stroke that is wiped off, then the one that stays. */
async function drawOn(page: Page): Promise<void> {
  const pad = page.getByTestId('drawing-pad');
  await pad.scrollIntoViewIfNeeded();
  const stroke = async () => {
    const { x, y, width, height } = (await pad.boundingBox())!;
    await page.mouse.move(x + width * 0.2, y + height * 0.7);
    await page.mouse.down();
    for (let i = 1; i <= 12; i++)
      await page.mouse.move(x + width * (0.2 + i * 0.05), y + height * (0.5 + 0.3 * Math.cos(i)));
    await page.mouse.up();
  };
  await stroke();
  await page.getByRole('button', { name: 'wipe it off' }).click();
  await expect(page.getByRole('button', { name: 'wipe it off' })).toHaveCount(0);
  await stroke();
  await expect(page.getByRole('button', { name: 'wipe it off' })).toBeVisible();
}
