import { chromium } from '@playwright/test';
import { mkdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, install, root, startServer, tell } from './lib.mjs';

/** One current picture of each main view, made from the demo data: `npm run screenshots`, or some by name behind `--`. */
const wanted = new Set(process.argv.slice(2));
const port = 8148;
const folder = join(root, 'docs/screenshots');
const phone = { width: 390, height: 844 };
const wide = { width: 1280, height: 800 };
const run = '/runs/prv-07-visit-3';

const pictures = [
  { name: 'round', path: '/' },
  { name: 'valve', path: '/valves/prv-12' },
  { name: 'run-set', path: run, until: settled },
  { name: 'run-set-dark', path: run, theme: 'dark', until: settled },
  { name: 'run-set-wide', path: run, size: wide, until: settled },
  { name: 'run-deaf', path: run, until: deaf },
  { name: 'run-prove', path: run, until: prove },
  { name: 'ladder', path: '/ladder/hpu-01', until: picture },
  { name: 'ladder-wide', path: '/ladder/hpu-01', size: wide, until: picture },
  { name: 'ladder-clash', path: '/ladder/lodge-air' },
  { name: 'cracking', path: '/valves/rv-11/start', until: cracking },
  { name: 'hydraulic', path: '/valves/hpu-01/start', until: hydraulicSetting },
  { name: 'start-up', path: '/valves/sr-02/start', until: startUpStep },
  { name: 'gauges', path: '/gauges' },
  { name: 'sheet', path: '/sheets', until: firstSheet },
  { name: 'settings', path: '/settings' },
];

await install();
await build();
mkdirSync(folder, { recursive: true });
const data = join(tmpdir(), 'holvek-pictures.sqlite');
for (const ending of ['', '-wal', '-shm']) rmSync(data + ending, { force: true });
const server = await startServer({ port, data, stdio: 'ignore' });
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
  ],
});
// A picture that cannot be taken must not leave a server behind that the next run would meet.
try {
  for (const { name, path, size = phone, theme = 'light', until } of pictures) {
    if (wanted.size > 0 && !wanted.has(name)) continue;
    const context = await browser.newContext({ viewport: size, serviceWorkers: 'block' });
    const page = await context.newPage();
    await page.addInitScript(
      (chosen) =>
        localStorage.setItem(
          'holvek.preferences',
          JSON.stringify({ theme: chosen, technician: 'Edda Lorenz' }),
        ),
      theme,
    );
    await page.goto(`http://127.0.0.1:${port}${path}`);
    await page.getByRole('heading').first().waitFor();
    await page.waitForTimeout(1500);
    await until?.(page);
    await page.screenshot({ path: join(folder, `${name}.png`) });
    await context.close();
    tell(name);
  }
} finally {
  await browser.close();
  server.kill('SIGTERM');
}

async function picture(page) {
  await page.getByTestId('ladder-picture').waitFor();
}

/** Walks a run until something is on screen, as a hand would: confirming, reading, answering, turning. */
async function walk(page, isThere) {
  await page.getByTestId('start-run').click();
  await page.getByRole('button', { name: 'More about this run' }).click();
  await page.getByRole('button', { name: /ten times faster/ }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  const seen = (id) => page.getByTestId(id).isVisible();
  for (let i = 0; i < 150 && !(await isThere()); i++) {
    const unknown = page.getByRole('button', { name: 'not known: go on' });
    const calm = page.getByRole('button', { name: /^(It stayed|Yes)$/ }).first();
    const dribbles = page.getByText(/at the outlet: (it dribbles|runs full)/);
    if (await unknown.isVisible()) await unknown.click();
    else if (await seen('in-lane')) await page.getByTestId('in-lane').click();
    else if (await seen('first-dribble')) {
      await page.waitForTimeout(900);
      await page.getByTestId((await dribbles.isVisible()) ? 'first-dribble' : 'turned').click();
    } else if (await seen('turned')) await page.getByTestId('turned').click();
    else if (await seen('read-gauge')) {
      await settled(page);
      await page.getByTestId('read-gauge').click();
    } else if (await seen('confirm-step')) await page.getByTestId('confirm-step').click();
    else if (await calm.isVisible()) await calm.click();
    await page.waitForTimeout(250);
  }
}

/** Two cycles of the surge relief marked, the third on its way up. */
async function cracking(page) {
  await walk(page, () => page.getByTestId('mark-cracked').isVisible());
  for (let cycle = 0; cycle < 2; cycle++) {
    await page.getByText('at the outlet: tight').waitFor({ timeout: 60_000 });
    await page.getByTestId('raise').click();
    await page.getByText(/at the outlet: (it dribbles|runs full)/).waitFor({ timeout: 60_000 });
    await page.getByTestId('mark-cracked').click();
    await page.waitForTimeout(1200);
    await page.getByTestId('mark-full').click();
    await page.getByText('at the outlet: tight').waitFor({ timeout: 60_000 });
    await page.getByTestId('mark-reseated').click();
  }
  await page.getByTestId('raise').click();
  await page.waitForTimeout(2500);
}

/** The main relief set, the first cross-port in hand after a turn or two. */
async function hydraulicSetting(page) {
  await walk(page, async () => {
    const strip = page.getByTestId('lane-strip');
    const label = (await strip.isVisible()) ? await strip.getAttribute('aria-label') : '';
    return /Readings .*, .*target 21.000/u.test(label) && (await page.getByTestId('turned').isVisible());
  });
  await settled(page);
}

async function startUpStep(page) {
  await walk(page, () => page.getByText('Outlet block slowly open').first().isVisible());
}

async function settled(page) {
  await page.getByText(/^settled/).waitFor({ timeout: 60_000 });
}

async function deaf(page) {
  await settled(page);
  await page.getByRole('button', { name: 'gauge doesn’t answer' }).click();
  await page.waitForTimeout(400);
}

async function firstSheet(page) {
  await page
    .getByRole('button', { name: /^Sheet PRV-12/ })
    .first()
    .click();
  await page.getByText('hold together').waitFor();
}

/** Sets the valve by the coach's advice, ten times as fast, and watches it at no flow. */
async function prove(page) {
  await page.getByRole('button', { name: 'More about this run' }).click();
  await page.getByRole('button', { name: /ten times faster/ }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  for (let i = 0; i < 40 && !(await page.getByTestId('watch').isVisible()); i++) {
    for (const id of ['in-lane', 'turned', 'confirm-step'])
      if (await page.getByTestId(id).isVisible()) await page.getByTestId(id).click();
    const flow = page.getByRole('button', { name: /^It is / });
    if (await flow.isVisible()) await flow.click();
    if (await page.getByTestId('read-gauge').isVisible()) {
      await settled(page);
      await page.getByTestId('read-gauge').click();
    }
    await page.waitForTimeout(300);
  }
  await page.getByTestId('watch').click();
  await page.getByText('rises and levels').waitFor({ timeout: 90_000 });
  await page.getByTestId('confirm-step').waitFor({ timeout: 90_000 });
}
