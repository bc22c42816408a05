import { entriesRoot, sealEntry, stampEntry, type RunEvent } from '@holvek/core';
import { execFileSync } from 'node:child_process';
import { beginAt } from './rehearsed';
import {
  begin,
  expect,
  isFit,
  sheetsOf,
  signAndOpen,
  signIn,
  test,
  typeReading,
} from './technician';
import { walkUntil } from './walk';

// They go off line, with the copy of the app that a phone keeps.
test.use({ serviceWorkers: 'allow' });

test('with no network the run goes on, and the record follows when it is back', async ({
  page,
  context,
  request,
}) => {
  await page.goto('/');
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
  await page.waitForLoadState('networkidle');
  await begin(page, 'prv-14', 'typed');
  const runId = page.url().split('/').at(-1)!;
  await context.setOffline(true);
  for (let i = 0; i < 4; i++) {
    const title = await page.getByTestId('step-title').textContent();
    await page.getByTestId('confirm-step').click();
    await expect(page.getByTestId('step-title')).not.toHaveText(title!);
  }
  await typeReading(page, '505 kPa');
  await expect(page.getByText('Shut the downstream isolator')).toBeVisible();
  await page.reload();
  await expect(page.getByText('Shut the downstream isolator')).toBeVisible();
  await page.goto('/');
  await expect(page.getByText(/offline · \d+ queued/)).toBeVisible();
  await expect(page.getByText('PRV-14 Race hill').first()).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText(/queued|sending/)).toBeHidden();
  const stored = (await (await request.get(`/api/runs/${runId}`)).json()) as {
    events: { type: string }[];
  };
  expect(stored.events.some(({ type }) => type === 'reading')).toBe(true);
});

test('a tab closed in the middle of a turn comes back to the same screw', async ({
  page,
  context,
}) => {
  await beginAt(page, 'prv-12', 'come_up');
  await walkUntil(page, /next move/);
  await page.getByTestId('turned').click();
  await expect(page.getByTestId('turned')).toBeHidden();
  const url = page.url();
  const before = Number((await page.getByTestId('live-figure').textContent())!);
  await page.close();
  const again = await context.newPage();
  await again.goto(url);
  await expect(again.getByTestId('lane-strip')).toBeVisible();
  await expect(again.getByTestId('turned')).toBeHidden();
  await expect(again.getByTestId('open-ends')).toHaveText('3 open ends');
  await expect
    .poll(async () => Number((await again.getByTestId('live-figure').textContent())!), {
      timeout: 30_000,
    })
    .toBeGreaterThanOrEqual(Math.max(50, before - 20));
});

test('signing is refused while something stands open, and it is named', async ({
  page,
  request,
}) => {
  const filed = (await sheetsOf(request, 'prv-12')).length;
  await beginAt(page, 'prv-12', 'put_back');
  const left = page.getByRole('button', { name: /^Must stay open/ }).first();
  await expect(page.getByTestId('confirm-step')).toBeDisabled();
  await left.click();
  await page.getByLabel('Why must it stay open?').fill('Outlets stay shut until the guns are back');
  await page.getByRole('button', { name: 'Leave it open' }).click();
  await page.getByRole('button', { name: 'something else was moved' }).click();
  await page.getByLabel('What', { exact: true }).fill('Fan guard off');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByTestId('confirm-step')).toBeDisabled();
  const runId = page.url().split('/').at(-1)!;
  const { events } = (await (await request.get(`/api/runs/${runId}`)).json()) as {
    events: RunEvent[];
  };
  // As a phone would send it that does not ask the core first.
  const last = events.at(-1)!;
  const stamp = stampEntry(
    { type: 'signed', name: 'Edda Lorenz', covers: events.length, root: entriesRoot(events) },
    { id: `sneak-${runId}`, runId, author: 'Edda Lorenz', device: 'sneak', atMs: last.at_ms },
    events,
  );
  const signed = sealEntry(stamp);
  const answer = await request.post(`/api/runs/${runId}/events`, { data: { events: [signed] } });
  expect(answer.status()).toBe(409);
  expect(await answer.json()).toMatchObject({ error: { code: 'run.open_ends_left' } });
  const after = (await (await request.get(`/api/runs/${runId}`)).json()) as {
    run: { status: string };
  };
  expect(after.run.status).toBe('open');
  expect(await sheetsOf(request, 'prv-12')).toHaveLength(filed);
});

test('something is wrong: ended from the screw, put back, signed, and the valve says so', async ({
  page,
}) => {
  await beginAt(page, 'prv-12', 'come_up');
  await page.getByRole('button', { name: 'More about this run' }).click();
  await page.getByTestId('something-wrong').click();
  await page.getByRole('radio', { name: 'It hunts' }).click();
  await expect(page.getByTestId('end-early')).toBeDisabled();
  await page.getByLabel('What is wrong, in your words').fill('Swings by 40 kPa at small flow');
  await page.getByTestId('end-early').click();
  await expect(page.getByText('Put everything back')).toBeVisible();
  await walkUntil(page, /Signing freezes/);
  await signAndOpen(page);
  await expect(page.getByText('could not be set').first()).toBeVisible();
  await expect(page.getByText('It hunts: Swings by 40 kPa at small flow')).toBeVisible();
  await isFit(page);
  await page.goto('/valves/prv-12');
  await expect(page.getByRole('heading', { name: 'PRV-12' })).toBeVisible();
  await expect(page.getByText('not in order')).toHaveCount(0);
});

test('signed without a network, its paper can be handed over, marked as not yet filed', async ({
  page,
  context,
}) => {
  await beginAt(page, 'prv-12', 'put_back', { purpose: 'record' });
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
  await page.waitForLoadState('networkidle');
  await context.setOffline(true);
  await walkUntil(page, /Signing freezes/);
  await page.getByTestId('sign').click();
  await expect(page.getByText('Waiting to be filed')).toBeVisible();
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PDF, marked as not yet filed' }).click();
  const file = await (await waiting).path();
  const words = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
  expect(words).toContain('NOT YET FILED');
  expect(words).toContain('PRV-12');
  await context.setOffline(false);
  await page.getByTestId('to-sheet').click();
  await expect(page.getByText(/as-left sheet/)).toBeVisible();
});

test('the second half of a double tap does not confirm what has come meanwhile', async ({
  page,
}) => {
  await begin(page, 'prv-12');
  const title = page.getByTestId('step-title');
  await expect(title).toContainText('Water under pressure');
  const { x, y, width, height } = (await page.getByTestId('confirm-step').boundingBox())!;
  await page.mouse.click(x + width / 2, y + height / 2);
  await expect(title).toContainText('Permit in hand');
  await page.mouse.down({ clickCount: 2 });
  await page.mouse.up({ clickCount: 2 });
  // A press of its own counts again: one caution and one check are confirmed, and nothing more.
  await page.mouse.click(x + width / 2, y + height / 2);
  await expect(title).toContainText('See where the water will go');
  await expect(page.locator('[data-entries]')).toHaveAttribute('data-entries', '3');
});

test('locked without a network, the phone opens to a hand that it knows, and the server is told', async ({
  page,
  context,
}) => {
  const here = () => page.evaluate(() => localStorage.getItem('holvek.preferences'));
  const comeIn = async (pin: string) => {
    await page.getByRole('radio', { name: 'Tomas Brandt' }).click();
    await page.getByLabel('PIN or password').fill(pin);
    await page.getByLabel('PIN or password').press('Enter');
  };
  const door = page.getByRole('heading', { name: 'Who is here?' });
  const leave = async () => {
    await page.getByRole('link', { name: 'Settings' }).click();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(door).toBeVisible();
  };
  // In by a session of its own: that of the other tests goes on.
  await signIn(page.request);
  await page.goto('/');
  await leave();
  await page.getByTestId('be-tomas').click();
  await leave();
  // Known once its PIN has been stretched.
  await expect(page.getByRole('radio', { name: 'Tomas Brandt' })).toBeVisible();
  await page.getByTestId('be-ines').click();
  await expect(door).toBeHidden();
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
  await page.waitForLoadState('networkidle');
  await context.setOffline(true);
  await leave();
  await page.reload();
  await expect(door).toBeVisible();
  await isFit(page);
  await comeIn('112233');
  await expect(page.getByRole('alert')).toContainText('is not right');
  await comeIn('240758');
  await expect(door).toBeHidden();
  expect(await here()).toContain('"technician":"Tomas Brandt"');
  await context.setOffline(false);
  await expect.poll(here).toContain('"hand":"session"');
  const { person } = (await (await page.request.get('/api/session')).json()) as {
    person: { name: string };
  };
  expect(person.name).toBe('Tomas Brandt');
});
