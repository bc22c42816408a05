import type { Page } from '@playwright/test';
import { expect, isFit, signIn, test } from './technician';

const screens = [
  ['/', 'Hill round'],
  ['/valves', 'Valves'],
  ['/valves/prv-12', 'PRV-12'],
  ['/valves/prv-12/edit', 'PRV-12'],
  ['/valves/new', 'New valve'],
  ['/valves/labels', 'Labels'],
  ['/scan', 'Scan a label'],
  ['/valves/prv-12/trouble', 'PRV-12: what is wrong?'],
  ['/valves/prv-12/repair', 'PRV-12: repair'],
  ['/valves/prv-03/start', 'Start PRV-03'],
  ['/runs/prv-07-visit-3', 'PRV-07'],
  ['/valves/hpu-01', 'HPU-01'],
  ['/rounds/hill-round', 'Change round'],
  ['/ladder', 'Ladder'],
  ['/ladder/hpu-01', 'HPU-01 lift tension unit'],
  ['/ladder/lodge-air', 'Lodge compressed air'],
  ['/ladder/pump-hall/line', 'Pump hall and gully'],
  ['/gauges', 'Gauges'],
  ['/practice', 'Practice'],
  ['/season/shown', 'What it has shown'],
  ['/how/direct', 'How a regulator holds'],
  ['/how/pilot', 'How a pilot moves a valve'],
  ['/sheets', 'Sheets'],
  ['/sheets/check', 'Check a record'],
  ['/sheets/hand-out', 'Hand over'],
  ['/settings', 'Settings'],
  ['/people', 'People'],
  ['/valves/pos-22', 'POS-22'],
  ['/valves/ep-04', 'EP-04'],
  ['/bench', 'Bench'],
  ['/bench/signal', 'Signals'],
  ['/bench/tuning', 'Tuning'],
] as const;

/** Screens that one page goes through: a page of its own for each would begin the whole app every time. */
const AT_ONCE = 10;

for (let first = 0; first < screens.length; first += AT_ONCE)
  test(`screens ${first + 1} and on are fit for everyone, light and dark, on a phone and wide`, async ({
    page,
  }) => {
    await page.addInitScript(() =>
      localStorage.setItem(
        'holvek.preferences',
        JSON.stringify({ theme: 'system', round: 'hill-round' }),
      ),
    );
    for (const [path, title] of screens.slice(first, first + AT_ONCE))
      await test.step(path, async () => isFitInBoth(page, path, title));
  });

const phone = { width: 390, height: 844 };
const desk = { width: 1280, height: 800 };

async function isFitInBoth(page: Page, path: string, title: string): Promise<void> {
  await page.setViewportSize(phone);
  await page.emulateMedia({ colorScheme: 'light' });
  await page.goto(path);
  await expect(page.getByRole('heading', { name: title, exact: true }).first()).toBeVisible();
  await page.waitForLoadState('networkidle');
  await expect(page).toHaveTitle(/ · Holvek$/u);
  await expect(page.locator('html')).not.toHaveClass(/dark/);
  await isFit(page);
  await page.emulateMedia({ colorScheme: 'dark' });
  await expect(page.locator('html')).toHaveClass(/dark/);
  await isFit(page, 'other theme');
  await page.setViewportSize(desk);
  await isFit(page);
}

test('a valve cut open: its knob is dragged, it holds, rests, and shows what is wrong with it', async ({
  page,
}) => {
  await page.goto('/practice');
  await page.getByRole('button', { name: 'How a regulator holds' }).click();
  const outlet = page.getByTestId('gauge-outlet');
  await page.getByRole('button', { name: 'See: supply on' }).click();
  await expect(page.getByTestId('doing')).toContainText('The spring is free');
  await expect(outlet).toHaveText(/^0/u);
  const knob = (await page.getByTestId('knob').boundingBox())!;
  await page.mouse.move(knob.x + 40, knob.y + 20);
  await page.mouse.down();
  await page.mouse.move(knob.x + 124, knob.y + 20, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByLabel('Knob, turned in')).toHaveValue('6');
  await page.getByLabel('Drawn downstream').fill('0.3');
  await expect(page.getByTestId('doing')).toContainText('it holds');
  await expect(outlet).toContainText('271');
  await page.getByRole('radio', { name: 'torn diaphragm' }).click();
  await expect(page.getByTestId('doing')).toContainText('blows out at the vent');
});

test('valves are found by name and by standing', async ({ page }) => {
  await page.goto('/valves');
  await page.getByLabel('Find a valve').fill('bowl');
  await expect(page.getByRole('button', { name: /PRV-12/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /PRV-05/ })).toHaveCount(0);
  await page.getByLabel('Find a valve').fill('');
  await page.getByRole('radio', { name: 'overdue' }).click();
  await expect(page.getByRole('button', { name: /PRV-05/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /PRV-03/ })).toHaveCount(0);
});

test('a target over its rating is refused with the reason, and the old one stands', async ({
  page,
  request,
}) => {
  await page.goto('/valves/prv-05');
  await page.getByRole('button', { name: 'change target' }).click();
  await page.getByLabel('Set point').fill('12 bar');
  await page.getByRole('button', { name: 'Keep this target' }).click();
  await expect(page.getByRole('alert')).toContainText('outlet rating');
  await page.getByLabel('Set point').fill('850');
  await page.getByLabel('Never above').fill('950');
  await page.getByRole('button', { name: 'Keep this target' }).click();
  await expect(page.getByRole('alert')).toContainText('Fit the red one');
  const valve = (await (await request.get('/api/valves/prv-05')).json()) as {
    target: { set_point_pa: number };
  };
  expect(valve.target.set_point_pa).toBe(560_000);
});

test('a gauge out of date is warned of, and one that cannot judge is not taken', async ({
  page,
}) => {
  await page.goto('/valves/prv-12/start');
  await page.getByRole('radio', { name: /G-15/ }).first().click();
  await expect(page.getByText(/Calibration ran out/)).toBeVisible();
  await expect(page.getByTestId('start-run')).toBeEnabled();
  // Where it protects people such a gauge judges nothing.
  await page.goto('/valves/prv-03/start');
  await page.getByRole('radio', { name: /G-15/ }).first().click();
  await expect(page.getByText(/Calibration ran out/)).toBeVisible();
  await expect(page.getByTestId('start-run')).toBeDisabled();
  await page.getByRole('radio', { name: /G-21/ }).first().click();
  await expect(page.getByTestId('start-run')).toBeDisabled();
});

test('units and theme are this phone’s own and stay', async ({ page }) => {
  await page.goto('/settings');
  await page.getByRole('radio', { name: 'bar', exact: true }).click();
  await page.getByRole('radio', { name: 'Plant room' }).click();
  await page.goto('/valves/prv-12');
  await expect(page.getByText(/^4\.40?$/).first()).toBeVisible();
  await page.reload();
  await expect(page.getByText(/^4\.40?$/).first()).toBeVisible();
  const dark = await page.evaluate(() => document.documentElement.style.colorScheme);
  expect(dark).toBe('dark');
});

test('the register goes out as CSV and comes back, wrong rows named', async ({ page, request }) => {
  const valves = (await (await request.get('/api/valves')).json()) as unknown[];
  const csv = await (await request.get('/api/valves.csv')).text();
  const lines = csv.trim().split('\n');
  const oneLike = (tag: string) =>
    lines
      .filter((line) => line.includes('PRV-03'))
      .map((line) => line.replace('PRV-03', tag).replace('prv-03', tag.toLowerCase()));
  const right = oneLike('PRV-98');
  const wrong = oneLike('PRV-99').map((line) => line.replace(',80,', ',many,'));
  await page.goto('/valves');
  // By key: rows that are still being measured would move it from under a pointer.
  await page.getByRole('button', { name: 'register as a file' }).press('Enter');
  await expect(page.getByRole('dialog', { name: 'Register as a file' })).toBeVisible();
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Read a CSV' }).click();
  await (
    await chooser
  ).setFiles({
    name: 'valves.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`\uFEFF${[...lines, ...right, ...wrong].join('\n')}`),
  });
  const tells = page.getByTestId('what-it-does');
  await expect(tells).toContainText(`${valves.length + 1} valves read, none taken yet`);
  await expect(tells).toContainText('New, 1: PRV-98');
  await expect(tells).not.toContainText('Changed');
  await expect(tells).toContainText(/size: /);
  const count = async () =>
    ((await (await request.get('/api/valves')).json()) as unknown[]).length - valves.length;
  expect(await count()).toBe(0);
  await page.getByRole('button', { name: 'Take it into the register' }).click();
  await expect(tells).toContainText(`${valves.length + 1} valves kept`);
  expect(await count()).toBe(1);
});

test('gauges come from a CSV without a network: what is wrong is named, what is right is kept', async ({
  page,
  context,
}) => {
  await page.goto('/gauges');
  await expect(page.getByRole('button', { name: 'Change G-12' })).toBeVisible();
  await context.setOffline(true);
  await page.getByRole('button', { name: 'gauges as a file' }).click();
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Read a CSV' }).click();
  const head =
    'tag;unit;range_low;range_high;resolution;accuracy_percent;calibrated_on;calibration_due_on;corrections';
  const row = (tag: string, high: string) =>
    `${tag};bar;0;${high};0,01;0,25;2026-06-01;2099-06-01;0: 0 | 10: -0,02`;
  const buffer = Buffer.from([head, row('G-90', '16'), row('G-91', 'sixteen')].join('\n'));
  await (await chooser).setFiles({ name: 'gauges.csv', mimeType: 'text/csv', buffer });
  const tells = page.getByTestId('what-it-does');
  await expect(tells).toContainText('1 gauge read, none taken yet');
  await expect(tells).toContainText('New, 1: G-90');
  await expect(tells).toContainText('Line 3, range_high: missing, or not what a gauge can say');
  await page.getByRole('button', { name: 'Take them' }).click();
  await expect(tells).toContainText('1 gauge kept');
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Change G-90' })).toContainText('corrected');
  await context.setOffline(false);
  await expect
    .poll(async () => (await (await page.request.get('/api/gauges')).text()).includes('G-90'))
    .toBe(true);
});

test('the app can be installed: a manifest, and every picture that it names', async ({
  page,
  request,
}) => {
  await page.goto('/');
  const href = await page.locator('link[rel="manifest"]').getAttribute('href');
  const manifest = (await (await request.get(href!)).json()) as {
    readonly icons: readonly { readonly src: string }[];
    readonly shortcuts: readonly { readonly url: string }[];
  };
  for (const { src } of manifest.icons)
    expect((await request.get(src)).headers()['content-type']).toContain('image/');
  for (const { url } of manifest.shortcuts) {
    await page.goto(url);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await expect(page.getByText('This page does not exist')).toHaveCount(0);
  }
});

test('a record that is handed over is checked on the phone, and a letter changed is seen', async ({
  page,
  request,
}) => {
  const record = await (await request.get('/api/valves/prv-12/evidence.json')).text();
  await page.goto('/sheets');
  await page.getByRole('button', { name: 'check a record that was handed over' }).press('Enter');
  await expect(page.getByRole('button', { name: 'Choose a file' })).toBeVisible();
  const choose = async (text: string) => {
    const opened = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Choose a file' }).click();
    const file = { name: 'record.json', mimeType: 'application/json', buffer: Buffer.from(text) };
    await (await opened).setFiles(file);
  };
  await choose(record);
  await expect(page.getByTestId('checked')).toContainText('holds');
  await expect(page.getByTestId('checked')).not.toContainText('does not hold');
  await choose(record.replace(/"technician":"[^"]*"/u, '"technician":"Somebody Else"'));
  await expect(page.getByTestId('checked')).toContainText('does not hold');
  await expect(page.getByRole('alert').first()).toContainText('does not say what it said');
});

test('nobody is here until somebody signs in, and each may do what his role says', async ({
  page,
}) => {
  await signIn(page.request);
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByRole('heading', { name: 'Who is here?' })).toBeVisible();
  await isFit(page);
  await page.goto('/valves/prv-03');
  await expect(page.getByRole('heading', { name: 'Who is here?' })).toBeVisible();
  await page.getByTestId('be-mira').click();
  await expect(page.getByRole('heading', { name: 'PRV-03' })).toBeVisible();
  await expect(page.getByText('To change it: ask a supervisor')).toBeVisible();
  await page.goto('/valves/prv-03/start');
  await expect(page.getByText('You may practise here')).toBeVisible();
  await expect(page.getByTestId('start-run')).toBeDisabled();
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.getByTestId('be-tomas').click();
  await expect(page.getByText('In setting order')).toBeVisible();
  await page.goto('/valves/gr-06/start');
  await expect(page.getByTestId('start-run')).toBeVisible();
  await expect(page.getByText(/licence is asked for/u)).toBeHidden();
  await page.goto('/valves/sr-02/start');
  await expect(page.getByTestId('start-run')).toBeVisible();
  await page.goto('/valves/sc-03/start');
  await expect(page.getByText('A licence is asked for: Refrigerants')).toBeVisible();
});

test('a sheet is corrected by a revision, signed by who revises it', async ({ page, request }) => {
  const sheets = (await (await request.get('/api/valves/prv-14/sheets')).json()) as {
    readonly id: string;
  }[];
  await page.goto(`/sheets/${sheets.at(-1)!.id}`);
  await page.getByRole('button', { name: /revision/i }).click();
  await page.getByLabel('Why').fill('Hydrant number was wrong');
  await page.getByLabel('Note to add').fill('Hydrant 14, not 41');
  await page.getByRole('button', { name: 'File the revision' }).click();
  await expect(page.getByText(/^Edda Lorenz, \d/)).toBeVisible();
  await expect(page.getByText(/^by key [0-9a-f]{12}$/)).toBeVisible();
  await expect(page.getByText('Hydrant 14, not 41').first()).toBeVisible();
  await expect(page.getByText(/sheets, \d+ entries: all hold/)).toBeVisible();
});
