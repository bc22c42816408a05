import type { Repair, Site, Valve } from '@holvek/core';
import type { Page } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { begin, emptyPort, expect, isFit, test } from './technician';

/** A server that holds nothing at first; only this file uses it. */
/** As the server that begins empty is started with. */
const firstCode = 'LARK-HOLL-OW24';
const base = `http://127.0.0.1:${emptyPort}`;

const type = (page: Page, label: string, text: string) =>
  page.getByLabel(label, { exact: true }).first().fill(text);

/** What a plate of a gas regulator says, in the units that are written on it. */
async function readOffGasPlate(page: Page, tag: string): Promise<void> {
  await page.getByRole('button', { name: 'Gas pressure regulator' }).click();
  await expect(page.getByText(/Still wanted: Tag, Size/)).toBeVisible();
  await type(page, 'Tag', tag);
  await type(page, 'Name, if known', 'Boiler house');
  await type(page, 'Size', 'DN 40');
  await type(page, 'Inlet rated to', '1 bar');
  await type(page, 'Outlet rated to', '6 kPa');
  await page.getByRole('radio', { name: 'a pilot' }).click();
  await page.getByRole('radio', { name: 'raises', exact: true }).click();
  await type(page, 'Turns from free to coil-bound', '6');
  await type(page, 'Spring fitted, its colour', 'green');
  await type(page, 'Sets from', '1');
  await type(page, 'Sets up to', '5');
  await type(page, 'One turn moves it by', '0.9');
  await type(page, 'Set point', '21 mbar');
  await type(page, 'Tolerance, either way', '1 mbar');
  await type(page, 'Never past', '35 mbar');
  await type(page, 'Why so', 'The burners are set for it.');
}

test.describe('an empty register', () => {
  test.use({ serviceWorkers: 'allow' });

  test('place, gauge and a valve from its plate, without a network, and its run', async ({
    page,
    context,
  }) => {
    await page.goto(base);
    await expect(page.getByRole('heading', { name: 'A new house' })).toBeVisible();
    await isFit(page);
    await type(page, 'Code of the first owner', 'wrong');
    await type(page, 'Your name', 'Edda Lorenz');
    await type(page, 'Short name', 'edda');
    await type(page, 'PIN or password', '593712');
    await page.getByTestId('become-owner').click();
    await expect(page.getByRole('alert')).toContainText('is not right');
    await type(page, 'Code of the first owner', firstCode);
    await page.getByTestId('become-owner').click();
    await expect(page.getByRole('heading', { name: 'Welcome' })).toBeVisible();
    // Gas is for licensed hands.
    await page.goto(`${base}/people`);
    await page.getByRole('button', { name: 'Change Edda Lorenz' }).click();
    await page.getByRole('button', { name: 'add gas fitting' }).click();
    await type(page, 'Gas fitting, number', 'LH 7');
    await type(page, 'Gas fitting, valid until', '2099-12-31');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByRole('dialog', { name: 'Edda Lorenz' })).toHaveCount(0);
    await page.goto(base);
    await expect(page.getByRole('heading', { name: 'Welcome' })).toBeVisible();
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
    await isFit(page);
    await context.setOffline(true);

    await page.getByRole('button', { name: 'Name the place' }).click();
    await type(page, 'Altitude', 'high');
    await page.getByRole('button', { name: 'Keep this place' }).click();
    await expect(page.getByText('What is it called?')).toBeVisible();
    await type(page, 'Name', 'Larkhollow');
    await type(page, 'Altitude', '640');
    await page.getByRole('button', { name: 'Keep this place' }).click();
    await expect(page.getByText('Larkhollow, 640 m')).toBeVisible();

    await page.getByRole('button', { name: 'Add a gauge' }).click();
    await expect(page.getByRole('heading', { name: 'Gauges', exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Add a gauge' }).click();
    const texts = {
      Tag: 'G-50',
      'High end of the range': '5',
      'Finest step that can be read': '0.01',
      'Accuracy, %': '0.5',
      'Calibrated on': '2026-05-31',
      'Calibration runs out on': '2099-05-31',
    };
    for (const [label, text] of Object.entries(texts)) await type(page, label, text);
    await page.getByRole('button', { name: 'Keep this gauge' }).click();
    await expect(page.getByText('G-50').first()).toBeVisible();
    await page.goto(base);

    await page.getByRole('button', { name: 'Add a valve' }).click();
    await readOffGasPlate(page, 'GR-01');
    await expect(page.getByText('All is read off: it can be set.')).toBeVisible();
    await isFit(page);
    await page.getByRole('button', { name: 'Keep this valve' }).click();
    await expect(page.getByRole('heading', { name: 'GR-01' })).toBeVisible();
    await page.reload();
    await expect(page.getByRole('heading', { name: 'GR-01' })).toBeVisible();
    await page.getByRole('button', { name: 'Start setting' }).click();
    await page.getByTestId('start-run').click();
    await expect(page.getByRole('button', { name: 'Read and understood' })).toBeVisible();
    const run = page.url().split('/').at(-1)!;
    await page.goto(base);
    await expect(page.getByText(/offline · \d+ queued/)).toBeVisible();

    await context.setOffline(false);
    await expect(page.getByText(/queued|sending/)).toBeHidden();
    expect((await page.request.get(`${base}/api/runs/${run}`)).ok()).toBe(true);
    const valves = (await (await page.request.get(`${base}/api/valves`)).json()) as Valve[];
    expect(valves).toMatchObject([
      {
        tag: 'GR-01',
        plate: { family: 'gas', size_dn: 40, outlet_rating_pa: 6000 },
        target: { set_point_pa: 2100, tolerance_pa: 100, limit_pa: 3500 },
      },
    ]);
    expect(await (await page.request.get(`${base}/api/sites`)).json()).toMatchObject([
      { name: 'Larkhollow', altitude_m: 640 },
    ]);
  });
});

test('another one like it, corrected, retired and brought back', async ({ page, request }) => {
  await page.goto('/valves/prv-03');
  await page.getByRole('button', { name: 'another one like it' }).click();
  await type(page, 'Tag', 'PRV-12');
  await expect(page.getByText('PRV-12 is in the register already.')).toBeVisible();
  await type(page, 'Tag', 'PRV-91');
  await type(page, 'How many alike, up to 50', '3');
  await page.getByRole('button', { name: 'Keep this valve' }).click();
  await expect(page.getByRole('heading', { name: 'PRV-91' })).toBeVisible();
  const alike = async () => {
    const all = (await (await request.get('/api/valves')).json()) as Valve[];
    return all.filter(({ tag }) => /^PRV-9\d$/.test(tag));
  };
  expect((await alike()).map(({ tag }) => tag).sort()).toEqual(['PRV-91', 'PRV-92', 'PRV-93']);

  await page.getByRole('button', { name: 'correct what the register says' }).click();
  await type(page, 'Outlet rated to', '300 kPa');
  await expect(page.getByText(/contradicts itself/)).toBeVisible();
  await type(page, 'Outlet rated to', '12 bar');
  await page.getByRole('button', { name: 'Keep the change' }).click();
  await expect(page.getByRole('heading', { name: 'PRV-91' })).toBeVisible();
  await expect
    .poll(async () => (await alike()).map(({ plate }) => plate.outlet_rating_pa))
    .toContain(1_200_000);

  await page.getByRole('button', { name: 'correct what the register says' }).click();
  await page.getByRole('button', { name: 'retire this valve' }).click();
  await type(page, 'Why', 'The line was taken out.');
  await page.getByRole('button', { name: 'Retire it' }).click();
  await page.goto('/valves');
  await page.getByLabel('Find a valve').fill('PRV-9');
  await expect(page.getByRole('button', { name: /PRV-92/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /PRV-91/ })).toHaveCount(0);
  await page.getByRole('radio', { name: 'retired' }).click();
  await page.getByRole('button', { name: /PRV-91/ }).click();
  await page.getByRole('button', { name: 'correct what the register says' }).click();
  await page.getByRole('button', { name: 'Bring it back into use' }).click();
  await expect(page.getByRole('button', { name: 'retire this valve' })).toBeVisible();
});

test('trouble outside a run: what is seen puts the causes in order', async ({ page }) => {
  await page.goto('/valves/prv-12');
  await page.getByRole('button', { name: 'it does not do what it should' }).click();
  await expect(page.getByText('Commonest first')).toBeVisible();
  await page.getByRole('radio', { name: 'goes the other way' }).click();
  await expect(page.getByText('This screw works the other way')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Yes, it rises' })).toBeVisible();
  await expect(page.getByText('very likely')).toHaveCount(0);
  await page.getByRole('button', { name: 'Yes, it rises' }).click();
  await expect(page.getByText('very likely')).toHaveCount(1);
  await page.getByRole('button', { name: 'forget what was answered' }).click();
  await expect(page.getByText('Commonest first')).toBeVisible();
});

test('labels are made on the phone, with a code for each valve', async ({ page }) => {
  await page.goto('/valves');
  await page.getByRole('button', { name: 'labels to print' }).press('Enter');
  await page.getByLabel('For which valves').fill('PRV-1');
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Make \d+ labels$/ }).click();
  const words = execFileSync('pdftotext', ['-layout', await (await waiting).path(), '-'], {
    encoding: 'utf8',
  });
  expect(words).toMatch(/PRV-12[\s\S]*as left|as left[\s\S]*PRV-12/);
  expect(words).not.toContain('PRV-03');
});

test('a repair is noted, the valve wants to be proved anew, and the run that follows names it', async ({
  page,
  request,
}) => {
  await page.goto('/valves/sus-04');
  await page.getByRole('button', { name: 'note a repair' }).click();
  await page.getByRole('button', { name: 'Keep the repair' }).click();
  await expect(page.getByText('Say what was found')).toBeVisible();
  await page.getByLabel('What was found').fill('Seat wire-drawn, leaks when shut');
  await page.getByRole('checkbox', { name: 'Seat', exact: true }).click();
  await page.getByRole('checkbox', { name: 'Seals and packing' }).click();
  await page.getByLabel('Who has done it').fill('Tomas Brandt');
  await isFit(page);
  await page.getByRole('button', { name: 'Keep the repair' }).click();
  await expect(page.getByTestId('unproved')).toContainText('Seat, seals and packing changed');
  await expect(page.getByTestId('repairs')).toContainText('Tomas Brandt');
  await begin(page, 'sus-04', 'typed');
  const runId = page.url().split('/').at(-1)!;
  const [repair] = ((await (await request.get('/api/repairs')).json()) as Repair[]).filter(
    ({ valve_id: id }) => id === 'sus-04',
  );
  await expect(async () => {
    const { events } = (await (await request.get(`/api/runs/${runId}`)).json()) as {
      events: { answers_repair?: { id: string } }[];
    };
    expect(events[0]!.answers_repair!.id).toBe(repair!.id);
  }).toPass();
});

test('a word is left on a valve, stands in its round, and is taken down', async ({ page }) => {
  await page.goto('/valves/prv-03');
  await page.getByRole('button', { name: 'leave word on it' }).click();
  await page.getByLabel('What the next one must know').fill('Guns off until three');
  await page.getByLabel('Until what hour, if it ends').fill('25');
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(page.getByText('An hour such as 15 or 15:30')).toBeVisible();
  await page.getByLabel('Until what hour, if it ends').fill('');
  await page.getByRole('button', { name: 'Leave it' }).click();
  const notice = page.getByTestId('notice');
  await expect(notice).toContainText('Guns off until three');
  await isFit(page);
  await page.goto('/');
  await page.getByRole('radio', { name: 'Hill round' }).click();
  await expect(page.getByTestId('round-PRV-03')).toContainText('Guns off until three');
  await page.goto('/valves/prv-03/start');
  await expect(notice).toContainText('Guns off until three');
  await notice.getByRole('button', { name: 'no longer so' }).click();
  await expect(notice).toHaveCount(0);
});

test('places lie within one another; one in use is not closed, and they go out as a file and come back', async ({
  page,
  request,
}) => {
  await page.goto('/settings');
  await page.getByRole('button', { name: 'another place' }).click();
  await type(page, 'Name', 'Cellar');
  await page.getByRole('button', { name: 'Keep this place' }).click();
  await expect(page.getByRole('alert')).toContainText('A site says how high it lies');
  await page.getByRole('radio', { name: 'Lodge' }).click();
  await isFit(page);
  await page.getByRole('button', { name: 'Keep this place' }).click();
  await expect(page.getByRole('button', { name: 'Cellar' })).toBeVisible();

  await page.getByRole('button', { name: /^Gully/ }).click();
  await page.getByRole('checkbox', { name: 'It is no longer used' }).click();
  await type(page, 'Why it is closed', 'Filled in');
  await page.getByRole('button', { name: 'Keep this place' }).click();
  await expect(page.getByRole('alert')).toContainText('PRV-07');
  await page.getByRole('button', { name: 'Close', exact: true }).click();

  await page.getByRole('button', { name: 'places as a file' }).click();
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as CSV' }).click();
  const text = readFileSync((await (await saved).path())!, 'utf8');
  expect(text).toContain('Cellar,Larkhollow / Lodge');
  const chosen = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Read a CSV' }).click();
  const csv = 'name,under,altitude_m\nTank,Larkhollow / Lodge / Cellar,\nShed,Nowhere,\n';
  await (await chosen).setFiles({ name: 'p.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(page.getByTestId('what-it-does')).toContainText('the place above it is not known');
  await page.getByRole('button', { name: 'Take them' }).click();
  const sites = async () => (await (await request.get('/api/sites')).json()) as Site[];
  await expect(async () =>
    expect((await sites()).map(({ name }) => name)).toEqual(
      expect.arrayContaining(['Cellar', 'Tank']),
    ),
  ).toPass();
});
