import { chromium } from '@playwright/test';
import { mkdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, install, root, startServer, tell } from './lib.mjs';

/** One current picture of each main view, made from the demo data: `npm run screenshots`. */
const port = 8148;
const folder = join(root, 'docs/screenshots');
const phone = { width: 390, height: 844 };
const wide = { width: 1280, height: 800 };
const run = '/runs/prv-07-visit-3';

const pictures = [
  { name: 'round', path: '/' },
  { name: 'valves', path: '/valves' },
  { name: 'valve', path: '/valves/prv-12' },
  { name: 'start', path: '/valves/prv-03/start' },
  { name: 'run-set', path: run, until: settled },
  { name: 'run-set-dark', path: run, theme: 'dark', until: settled },
  { name: 'run-set-wide', path: run, size: wide, until: settled },
  { name: 'run-deaf', path: run, until: deaf },
  { name: 'run-prove', path: run, until: prove },
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
for (const { name, path, size = phone, theme = 'light', until } of pictures) {
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
await browser.close();
server.kill('SIGTERM');

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
