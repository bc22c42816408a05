import { defaultHouseRules, defaultInstrumentRules, defaultNoFlowWatch } from '@holvek/core';
import { expect, test as base, type APIRequestContext, type Page } from '@playwright/test';
import axe from 'axe-core';
import { look, moved } from './walk';

/** Waits shortened by the owner's own rules; everything else as it is. */
export const quickRules = {
  ...defaultHouseRules,
  settle_wait_s: 1,
  typed_apart_s: 1,
  no_flow_watch: { ...defaultNoFlowWatch, longest_s: 60 },
  instruments: { ...defaultInstrumentRules, purge_s: 2, late_spark_share: 0.2 },
};

/** The server that begins with an empty register. */
export const emptyPort = Number(process.env['E2E_PORT'] ?? 8121);
/** Each worker has a server of its own, with a Larkhollow of its own. */
const portOf = (parallelIndex: number): number => emptyPort + 1 + parallelIndex;

type Jar = Awaited<ReturnType<APIRequestContext['storageState']>>;

export const test = base.extend<{ complaints: string[] }, { jar: Jar }>({
  // eslint-disable-next-line no-empty-pattern -- a fixture names what it takes, here nothing
  baseURL: async ({}, give, { parallelIndex }) => give(`http://127.0.0.1:${portOf(parallelIndex)}`),
  // The owner signs in once for all tests of a worker; who signs out signs in anew before.
  jar: [
    async ({ playwright }, give, { parallelIndex }) => {
      const baseURL = `http://127.0.0.1:${portOf(parallelIndex)}`;
      const request = await playwright.request.newContext({ baseURL });
      await signIn(request);
      await give(await request.storageState());
      await request.dispose();
    },
    { scope: 'worker' },
  ],
  storageState: ({ jar }, give) => give(jar),
  complaints: [
    async ({ page, request }, use) => {
      await request.put('/api/house-rules', { data: quickRules });
      await page.addInitScript(() => {
        const key = 'holvek.preferences';
        if (localStorage.getItem(key)) return;
        localStorage.setItem(key, JSON.stringify({ twinSpeed: 40 }));
      });
      const complaints: string[] = [];
      page.on('console', (message) => {
        if (message.type() === 'error') complaints.push(message.text());
      });
      page.on('pageerror', (error) => complaints.push(error.message));
      await use(complaints);
      const meant = complaints.filter(
        (text) => !/ERR_INTERNET_DISCONNECTED|status of (401|404|409|422)/u.test(text),
      );
      expect(meant, 'the console stays quiet').toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };

/** Signs one of the demo’s people in, in the jar of this context: pages that it opens find him there. */
export async function signIn(request: APIRequestContext, short = 'edda'): Promise<void> {
  const data = { short, secret: '240758', device: `e2e-${short}` };
  const answer = await request.post('/api/session', { data });
  expect(answer.ok(), await answer.text()).toBe(true);
}

/** Nothing in the way of a screen reader, and nothing wider than the screen. */
export async function isFit(page: Page, theme?: 'other theme'): Promise<void> {
  const found = await wrongIn(page, theme);
  expect(found).toEqual([]);
  const overflow = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  );
  expect(overflow).toBeLessThanOrEqual(0);
}

/** What axe finds wrong, in words. The app has no frames, so that it is asked in the page itself, put there once. */
async function wrongIn(page: Page, theme?: 'other theme'): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(axe.source);
  const options: axe.RunOptions = {
    preload: false,
    resultTypes: ['violations'],
    // Only colours differ between two themes.
    ...(theme && { runOnly: ['color-contrast'] }),
  };
  const { violations } = await page.evaluate(async (asked) => axe.run(document, asked), options);
  return violations.flatMap(({ id, nodes }) =>
    nodes.map((node) => `${id}: ${node.html.slice(0, 160)}`),
  );
}

/** Opens the start page of a valve and begins: practice on its twin, or a record typed by hand. */
export async function begin(
  page: Page,
  valve: string,
  link: 'linked' | 'typed' = 'linked',
  school?: string,
): Promise<void> {
  await page.goto(`/valves/${valve}/start${link === 'linked' ? '?practice=1' : ''}`);
  if (school) await page.getByRole('radio', { name: school }).click();
  await page.getByTestId('start-run').click();
  await expect(page.getByRole('button', { name: 'Read and understood' })).toBeVisible();
  await expect(page.getByTestId('practice-band')).toHaveCount(link === 'linked' ? 1 : 0);
}

const keepPreferences = (preferences: object) =>
  localStorage.setItem('holvek.preferences', JSON.stringify(preferences));
const livingAt = (twinSpeed: number) => ({ technician: 'Edda Lorenz', role: 'owner', twinSpeed });

/** Lets the simulated valve live at a speed that leaves time to look at what passes. */
export async function liveAt(page: Page, twinSpeed: number): Promise<void> {
  // Before the first page, and once: one that is still coming would write its own over it.
  await page.addInitScript((preferences) => {
    if (sessionStorage.getItem('lives')) return;
    sessionStorage.setItem('lives', 'at its speed');
    localStorage.setItem('holvek.preferences', JSON.stringify(preferences));
  }, livingAt(twinSpeed));
}

/** What was to be seen slowly has been seen: the run is opened again, its valve living as fast as it may. */
export async function hurry(page: Page): Promise<void> {
  await page.evaluate(keepPreferences, livingAt(60));
  await page.reload();
}

/** Signs, and waits until the server has filed the sheet. */
export async function signAndOpen(page: Page): Promise<void> {
  await page.getByTestId('sign').click();
  await page.getByTestId('to-sheet').click();
  await expect(page.getByText(/as-left sheet/)).toBeVisible();
}

/** Types a reading on the pad that is open or about to be. */
export async function typeReading(page: Page, text: string): Promise<void> {
  const pad = page.getByLabel(/^Reading of/);
  if (!(await pad.isVisible())) await page.getByTestId('read-gauge').click();
  await pad.fill(text);
  await page.getByRole('button', { name: 'Take it' }).click();
}

/** Sheets of a valve, first to last: of practice, or its records. */
export const sheetsOf = async (
  request: APIRequestContext,
  valve: string,
  purpose: 'practice' | 'record' = 'practice',
) => {
  const path = `/api/valves/${valve}/${purpose === 'record' ? 'sheets' : 'practice'}`;
  const sheets = (await (await request.get(path)).json()) as FrozenSheet[];
  return purpose === 'record' ? sheets : sheets.reverse();
};

/** What the tests look at of a sheet. */
type FrozenSheet = {
  id: string;
  body: Record<string, unknown> & {
    settings: {
      adjuster: string;
      as_found_pa: number | null;
      as_left_pa: number;
      method: string;
      verdict: string;
    }[];
    open_ends: { state: string }[];
    pictures?: { picture: string }[];
    outcome: string;
    cracking: { cycles: unknown[]; blowdown: number; source: string } | null;
    plate: { fitted_spring: string };
    verdict: string;
    tables?: {
      as_found: { worst_error: number } | null;
      as_left: { worst_error: number; points: unknown[] };
    };
    edges?: { low_pa: number; high_pa: number; lights: { lit: boolean }[] };
    switch_cycles?: unknown[];
    device?: {
      cables: { left_v: number }[];
      terminals: string[];
      stroke: { closed: number; open: number } | null;
      registers: { address: number; value: number }[];
      tuning: { trim: string; gain: number } | null;
      kept_tuning_of?: string;
    };
    control?: {
      band_percent: number;
      alignment_spread_pa: number;
      model: { gain: number; time_constant_s: number } | null;
    };
  };
};

export async function confirmUntil(page: Page, title: RegExp): Promise<void> {
  for (let i = 0; i < 40; i++) {
    const seen = await look(page);
    if (title.test(seen.text)) return;
    // The page may have gone on since: the next look decides what to do.
    await page
      .getByTestId('confirm-step')
      .click({ timeout: 3000 })
      .catch(() => undefined);
    await moved(page, seen);
  }
  throw new Error(`never came to ${title}`);
}
