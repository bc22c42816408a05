import { expect, isFit, test } from './technician';

const wide = { width: 1280, height: 800 };

test('a season is planned by one press, a visit is dragged, moved by keys and by its card, and undone', async ({
  page,
}) => {
  await page.setViewportSize(wide);
  await page.goto('/season');
  await expect(page.getByText('Nothing is planned yet')).toBeVisible();
  await page.getByTestId('plan').click();
  await expect(page.getByTestId('plan-said')).toContainText('Planned.');
  const dots = page.locator('[data-testid^="dot-"]');
  await expect(dots.first()).toBeVisible();
  await isFit(page);

  // One drag to the right: what it costs, or what forbids it, is said before it is let go.
  const dot = dots.first();
  const label = () => dot.getAttribute('aria-label');
  const before = await label();
  const box = (await dot.boundingBox())!;
  await page.mouse.move(box.x + 9, box.y + 9);
  await page.mouse.down();
  await page.mouse.move(box.x + 90, box.y + 9, { steps: 6 });
  const said = page.getByTestId('drag-said');
  await expect(said).toContainText(/as bad as|as good as|costs nothing|not there/u);
  const isBarred = (await said.textContent())!.includes('not there');
  await page.mouse.up();
  if (!isBarred) await expect.poll(label).not.toBe(before);
  else expect(await label()).toBe(before);

  // Taken hold of with the space bar, moved day by day with the arrows.
  await dot.focus();
  await page.keyboard.press('Space');
  // The keys are listened to a moment after it has been taken hold of.
  await expect(async () => {
    await page.keyboard.press('ArrowRight');
    await expect(said).toContainText(/as bad as|as good as|costs nothing|not there/u, {
      timeout: 500,
    });
  }).toPass();
  await page.keyboard.press('Escape');
  await expect(said).toBeEmpty();

  // By its card, whatever the drag came to.
  const own = page.getByTestId('board').getByRole('button').first();
  const tag = (await own.textContent())!.split(' ')[0]!;
  await own.click();
  await expect(page.getByTestId('visit-card')).toContainText(tag);
  await expect(page.getByTestId('visit-card')).toContainText(/Second best|No other day/u);
  const later = page.getByRole('button', { name: 'Later', exact: true });
  await later.click();
  await expect(page.getByTestId('plan-said')).toContainText('Moved.');
  for (const undo = page.getByRole('button', { name: 'Undo' }); await undo.isVisible();)
    await undo.click();
  await expect(page.getByText('Nothing is planned yet')).toBeVisible();
});

test('on the phone: the week, the day with its bag, the round of it, and the plan taken away', async ({
  page,
  request,
  playwright,
}) => {
  await page.goto('/season');
  await page.getByTestId('plan').click();
  await expect(page.getByTestId('plan-said')).toContainText(/Planned|No better/u);
  await page
    .getByRole('button', { name: /^The day of/u })
    .first()
    .click();
  await expect(page.getByText('In this order')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Bring/u })).toBeVisible();
  await isFit(page);
  await page.getByRole('button', { name: 'Make it my round' }).click();
  await expect(page.getByRole('heading', { name: /^Winter, /u }).first()).toBeVisible();
  const calendar = await request.get('/api/seasons/winter/calendar.ics');
  expect(await calendar.text()).toContain('BEGIN:VEVENT');
  await page.goto('/season');
  await page.getByRole('button', { name: 'Take away' }).click();
  for (const [name, file] of [
    ['Weeks on paper', 'Winter.pdf'],
    ['CSV', 'Winter.csv'],
  ] as const) {
    const waiting = page.waitForEvent('download');
    await page.getByRole('button', { name }).click();
    expect((await waiting).suggestedFilename()).toBe(file);
  }
  await page.getByRole('button', { name: 'Make an address' }).click();
  const address = await page.getByLabel('Address of the calendar').inputValue();
  const stranger = await playwright.request.newContext();
  expect(await (await stranger.get(address)).text()).toContain('BEGIN:VEVENT');
  await isFit(page);
  await page.getByRole('button', { name: 'End the calendar of Everybody' }).click();
  await expect(page.getByRole('button', { name: /^End the calendar/u })).toHaveCount(0);
  expect((await stranger.get(address)).status()).toBe(404);
  await stranger.dispose();
});

test('what binds a season is said, and kept', async ({ page }) => {
  await page.goto('/season/edit');
  await expect(page.getByRole('heading', { name: 'Winter' })).toBeVisible();
  await isFit(page);
  await page.getByRole('button', { name: 'Add a rule' }).click();
  await page.getByLabel('Tags, in their order').fill('PRV-99');
  await page.getByLabel('Why').fill('Lifts run');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByText('There is no valve PRV-99.')).toBeVisible();
  await page.getByLabel('Tags, in their order').fill('PRV-05');
  await page.getByRole('textbox', { name: 'Days', exact: true }).fill('2026-12-07 to 2026-12-11');
  await page.getByRole('button', { name: 'Add it' }).click();
  await page.getByRole('button', { name: 'Add a way' }).click();
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByText('Minutes, 0 to 1440')).toBeVisible();
  await page.getByLabel('It takes').fill('17');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByText(/Where the day begins – /u)).toBeVisible();
  const hours = page.getByLabel('Ines Varga', { exact: true });
  await hours.fill('Mon three');
  await page.getByLabel('Weeks').fill('0');
  await page.getByRole('button', { name: 'Keep this season' }).click();
  await expect(page.getByText('Weeks, 1 to 52')).toBeVisible();
  await expect(page.getByText(/Hours a day, 0 to 16/u)).toBeVisible();
  await hours.fill('5, Fri 2,5');
  await page.getByLabel('Weeks').fill('8');
  await page.getByRole('button', { name: 'Keep this season' }).click();
  await expect(page.getByText(/8 weeks from/u)).toBeVisible();
  await page.goto('/season/edit');
  await expect(page.getByText('Lifts run')).toBeVisible();
  await expect(hours).toHaveValue('Mon–Thu 5, Fri 2.5');
  await expect(page.getByText('17 min', { exact: true })).toBeVisible();
});

test('a technician sees who goes where, and moves nothing', async ({ page }) => {
  await page.request.post('/api/session', {
    data: { short: 'tomas', secret: '240758', device: 'season' },
  });
  await page.goto('/season');
  await expect(page.getByText('A season is planned by a supervisor.')).toBeVisible();
  await expect(page.getByTestId('plan')).toHaveCount(0);
  await expect(page.getByText('change what binds it')).toHaveCount(0);
});
