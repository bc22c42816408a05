import { type Page } from '@playwright/test';
import { beginAt } from './rehearsed';
import { expect, signIn, test, typeReading } from './technician';

/** What a second phone shows within two seconds of the first one’s entry, and a little for the page. */
const SOON = { timeout: 4000 };

test('two phones on one run: entries come over, a turn that both made is asked about', async ({
  page,
  browser,
  baseURL,
}) => {
  await beginAt(page, 'prv-09', 'come_up', { purpose: 'record' });
  const run = page.url();
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    ...(baseURL ? { baseURL } : {}),
  });
  const other = await context.newPage();
  await signIn(other.request, 'tomas');
  await other.goto(run);
  await expect(other.locator('[data-step]')).toHaveAttribute('data-step', 'come_up');

  await typeReading(page, '0');
  await expect(page.getByTestId('next-move')).toBeVisible();
  await expect(other.getByTestId('next-move')).toBeVisible(SOON);

  // Out of reach of one another, both enter the turn that one of them made.
  await context.setOffline(true);
  await other.getByTestId('turned').click();
  await expect(other.getByTestId('next-move')).toBeHidden();
  await page.getByTestId('turned').click();
  await context.setOffline(false);
  for (const phone of [page, other])
    await expect(phone.getByTestId('double-turn')).toContainText('one turn, or two?', {
      timeout: 15_000,
    });
  await expect(other.getByTestId('double-turn')).toContainText('Tomas Brandt');
  const before = await entriesOf(page);
  await page.getByRole('button', { name: /^One:/ }).click();
  for (const phone of [page, other])
    await expect(phone.getByTestId('double-turn')).toBeHidden(SOON);
  await expect.poll(() => entriesOf(other)).toBe(before + 1);
  await context.close();
});

test('a gauge is changed and the work handed over: the next hand sees what stands open, and goes on', async ({
  page,
  browser,
  baseURL,
}) => {
  await beginAt(page, 'prv-14', 'come_up', { purpose: 'record' });
  await page.getByRole('button', { name: 'More about this run' }).click();
  await page.getByRole('button', { name: 'Another gauge' }).click();
  await page
    .getByRole('radiogroup', { name: 'Which one' })
    .getByText(/^Outlet/u)
    .click();
  await page.getByRole('radio', { name: /fits$/u }).first().click();
  await page.getByTestId('swap-gauge').click();
  await page.getByRole('button', { name: 'More about this run' }).click();
  await page.getByRole('button', { name: 'Hand it over' }).click();
  await page.getByRole('radio', { name: 'Tomas Brandt' }).click();
  await page.getByLabel('What the next hand should know').fill('Guns off until three');
  await page.getByTestId('hand-over').click();
  await expect(page.getByText(/handed this over to Tomas Brandt/u)).toBeVisible();

  const context = await browser.newContext({ ...(baseURL ? { baseURL } : {}) });
  await signIn(context.request, 'tomas');
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByText('“Guns off until three”')).toBeVisible();
  await expect(other.getByText(/^Open then: /u)).toBeVisible();
  await typeReading(other, '0');
  for (const phone of [page, other])
    await expect(phone.getByText('“Guns off until three”')).toBeHidden(SOON);
  await context.close();
});

test('who starts a record where one is open is told, and joins it', async ({ page }) => {
  // PRV-07 was left half-way by the phone of this morning.
  await page.goto('/valves/prv-07/start');
  await expect(page.getByRole('alert')).toContainText('Work on this valve is open');
  await expect(page.getByTestId('start-run')).toBeDisabled();
  await page.getByRole('button', { name: 'Join it' }).click();
  await expect(page).toHaveURL(/\/runs\/prv-07-visit-\d+$/u);
});

const entriesOf = async (page: Page): Promise<number> =>
  Number(await page.locator('[data-step]').getAttribute('data-entries'));

test('two phones change one target: the second is shown both, and chooses', async ({
  page,
  browser,
  baseURL,
}) => {
  const context = await browser.newContext({ ...(baseURL ? { baseURL } : {}) });
  await signIn(context.request);
  const other = await context.newPage();
  const open = async (phone: Page) => {
    await phone.goto('/valves');
    await phone.getByRole('button', { name: /^PRV-14 /u }).click();
    await phone.getByRole('button', { name: 'Change' }).click();
  };
  const keep = async (phone: Page, why: string) => {
    await phone.getByLabel('Why').fill(why);
    await phone.getByRole('button', { name: 'Keep this target' }).click();
  };
  await open(page);
  await open(other);
  await keep(page, 'Asked for by the kitchen');
  await expect(page.getByText('Asked for by the kitchen')).toBeVisible();
  await keep(other, 'Asked for by the laundry');
  const both = other.getByRole('dialog', { name: 'Changed meanwhile' });
  await expect(both).toContainText('there: Asked for by the kitchen');
  await expect(both).toContainText('yours: Asked for by the laundry');
  await both.getByRole('button', { name: 'Put mine over it' }).click();
  await expect(both).toBeHidden();
  await page.reload();
  await expect(page.getByText('Asked for by the laundry')).toBeVisible();
  await context.close();
});
