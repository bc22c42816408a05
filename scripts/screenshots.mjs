import { chromium } from '@playwright/test';
import { mkdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { browserPath } from './browser.mjs';
import { build, install, root, startServer, tell } from './lib.mjs';

/** One current picture of each main view, made from the demo data: `npm run screenshots`, or some by name behind `--`. */
const wanted = new Set(process.argv.slice(2));
const port = 8148;
const folder = join(root, 'docs/screenshots');
const phone = { width: 390, height: 844 };
const wide = { width: 1280, height: 800 };
const run = '/runs/prv-07-visit-3';

/** Parts that are pressed as soon as they may be, the more telling first. */
const PRESSES = ['write-registers', 'start-task', 'light', 'purged'];

const pictures = [
  { name: 'round', path: '/' },
  { name: 'valve', path: '/valves/prv-12' },
  { name: 'run-set', path: run, until: nextMove },
  { name: 'practice', path: '/practice', theme: 'dark' },
  { name: 'run-set-wide', path: run, size: wide, until: nextMove },
  { name: 'run-deaf', path: run, until: deaf },
  { name: 'run-prove', path: '/valves/prv-07/start?practice=1', until: prove },
  { name: 'ladder', path: '/ladder/hpu-01', until: picture },
  { name: 'ladder-wide', path: '/ladder/hpu-01', size: wide, until: picture },
  { name: 'cracking', path: '/valves/rv-11/start?practice=1', until: cracking },
  { name: 'zero-span', path: '/valves/pos-21/start?practice=1', until: zeroSpan },
  { name: 'edges', path: '/valves/bp-15/start?practice=1', until: edges },
  { name: 'register', path: '/valves/prv-12/edit', until: springs },
  { name: 'valves-wide', path: '/valves', size: wide, until: drifting },
  { name: 'season-wide', path: '/season', size: wide, until: planned },
  { name: 'season-day', path: '/season', until: firstDay },
  { name: 'cutaway', path: '/how/direct', until: holding },
  { name: 'path', path: '/valves/prv-05/start?practice=1', until: path },
  { name: 'sheet', path: '/sheets', until: firstSheet },
];

await install();
await build();
mkdirSync(folder, { recursive: true });
const data = join(tmpdir(), 'holvek-pictures.sqlite');
for (const ending of ['', '-wal', '-shm']) rmSync(data + ending, { force: true });
const server = await startServer({ port, data, stdio: 'ignore' });
const browser = await chromium.launch({
  executablePath: browserPath(),
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
    // As a person of the demo; the door itself is looked at by nobody.
    const someone = { short: 'edda', secret: '240758', device: 'pictures' };
    if (name !== 'sign-in')
      await page.request.post(`http://127.0.0.1:${port}/api/session`, { data: someone });
    await page.addInitScript(
      (chosen) => localStorage.setItem('holvek.preferences', JSON.stringify({ theme: chosen })),
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

async function drifting(page) {
  await page.getByRole('row', { name: /PRV-12/ }).click();
  await page.waitForTimeout(800);
}

/** On the path, at the step that fills the pipe. */
async function path(page) {
  const title = page.getByTestId('step-title');
  await walk(page, async () => /slowly$/u.test((await title.textContent().catch(() => '')) ?? ''));
  await page.waitForTimeout(1500);
}

/** A button that may be gone by the time it is pressed. */
function tap(button) {
  return button.click({ timeout: 2000 }).catch(() => undefined);
}

/** Walks a run until something is on screen, as a hand would: confirming, reading, answering, turning. */
async function walk(page, isThere) {
  await page.getByTestId('start-run').click();
  await page.getByRole('button', { name: 'More about this run' }).click();
  await page.getByRole('button', { name: /ten times faster/ }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  for (let i = 0; i < 320 && !(await isThere()); i++) {
    await oneStep(page);
    await page.waitForTimeout(250);
  }
}

async function oneStep(page) {
  const part = (id) => page.getByTestId(id);
  const seen = (id) => part(id).isVisible();
  const isReady = async (id) =>
    (await seen(id)) && (await part(id).getAttribute('aria-disabled')) === 'false';
  const unknown = page.getByRole('button', { name: 'not known: go on' });
  const box = page.getByRole('checkbox', { checked: false }).first();
  if (await unknown.isVisible()) return tap(unknown);
  if (await box.isVisible()) return tap(box);
  for (const id of PRESSES) if (await isReady(id)) return tap(part(id));
  if (await seen('take-point'))
    return (await isSettled(page)) ? tap(part('take-point')) : undefined;
  if (await seen('in-lane')) return tap(part('in-lane'));
  if (await seen('first-dribble')) return searchOnce(page);
  if (await seen('turned')) return tap(part('turned'));
  return readOrConfirm(page);
}

async function searchOnce(page) {
  await page.waitForTimeout(900);
  const dribbles = page.getByText(/at the outlet: (it dribbles|runs full)/);
  return page.getByTestId((await dribbles.isVisible()) ? 'first-dribble' : 'turned').click();
}

async function readOrConfirm(page) {
  if (await page.getByTestId('read-gauge').isVisible()) {
    await settled(page);
    return tap(page.getByTestId('read-gauge'));
  }
  if (await page.getByTestId('confirm-step').isVisible())
    return tap(page.getByTestId('confirm-step'));
  const offered = page.locator('[data-testid^="choice-"]');
  const calm = offered.filter({ hasText: /^(It stayed|No, not here)$/ });
  if (!(await offered.first().isVisible())) return undefined;
  return tap(((await calm.count()) > 0 ? calm : offered).first());
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

/** Five points up, and on the way down again. */
async function zeroSpan(page) {
  await walk(page, () => page.getByText(/next move · span screw/).isVisible());
}

/** An electronic pilot that swings its line, some swings in. */
/** A few lights on either side of the low edge, the next one in hand. */
async function edges(page) {
  await walk(page, async () => {
    const chart = page.getByTestId('edge-chart');
    const label = (await chart.isVisible()) ? await chart.getAttribute('aria-label') : '';
    const [, lit = 0, failed = 0] = /^(\d+) lit, (\d+) failed/u.exec(label) ?? [];
    return Number(lit) > 2 && Number(failed) > 0 && (await page.getByTestId('light').isVisible());
  });
}

/** A step test of a lively process, with a band that is too narrow for it. */
async function planned(page) {
  await page.getByTestId('plan').click();
  await page.getByTestId('plan-said').waitFor();
  await page.getByTestId('board').getByRole('button').nth(6).click();
  await page.getByTestId('visit-card').waitFor();
  // The board is measured anew beside its card.
  await page.waitForFunction(() => {
    const board = document.querySelector('[data-testid=board]');
    return board.scrollWidth <= board.clientWidth;
  });
}

/** A day with more than one valve in it. */
async function firstDay(page) {
  await page.getByTestId('plan').waitFor();
  const plan = page.getByRole('button', { name: /^The day of/ });
  if (!(await plan.first().isVisible())) await page.getByTestId('plan').click();
  await plan.first().waitFor();
  for (let i = 0; i < (await plan.count()); i++) {
    await plan.nth(i).click();
    await page.getByText('In this order').waitFor();
    if (await page.getByRole('button', { name: /^2[.] / }).isVisible()) return;
    await page.goBack();
    await plan.first().waitFor();
  }
}

async function holding(page) {
  for (let i = 0; i < 2; i++) await page.getByTestId('next-look').click();
  await page.getByText('Both sides push alike').waitFor();
}

async function isSettled(page) {
  return page.getByText(/^settled/).isVisible();
}

async function settled(page) {
  await page.getByText(/^settled/).waitFor({ timeout: 60_000 });
}

async function nextMove(page) {
  await page.getByTestId('next-move').waitFor();
}

async function deaf(page) {
  await nextMove(page);
  await page.getByRole('button', { name: 'gauge doesn’t answer' }).click();
  await page.waitForTimeout(400);
}

/** The plate of a valve, with its springs drawn against what it must hold. */
async function springs(page) {
  await page.getByRole('img', { name: /^Springs/ }).scrollIntoViewIfNeeded();
}

async function firstSheet(page) {
  await page
    .getByRole('button', { name: /^Sheet PRV-12/ })
    .first()
    .click();
  await page.getByText('all hold').waitFor();
}

/** Sets a simulated valve by the coach's advice, ten times as fast, and watches it at no flow. */
async function prove(page) {
  const flow = page.getByRole('button', { name: /^It is / });
  await walk(page, async () => {
    if (await flow.isVisible()) await tap(flow);
    return page.getByTestId('watch').isVisible();
  });
  await page.getByTestId('watch').click();
  await page.getByText('rises and levels').waitFor({ timeout: 90_000 });
  await page.getByTestId('confirm-step').waitFor({ timeout: 90_000 });
}
