import { AxeBuilder } from '@axe-core/playwright';
import { defaultHouseRules, defaultInstrumentRules } from '@holvek/core';
import { expect, test as base, type APIRequestContext, type Page } from '@playwright/test';

/** Waits shortened by the owner's own rules; everything else as it is. */
const quickRules = {
  ...defaultHouseRules,
  settle_wait_s: 1,
  typed_apart_s: 1,
  no_flow_record_s: 8,
  instruments: { ...defaultInstrumentRules, purge_s: 2, late_spark_share: 0.2 },
};

export const test = base.extend<{ complaints: string[] }>({
  complaints: [
    async ({ page, request }, use) => {
      await request.put('/api/house-rules', { data: quickRules });
      const complaints: string[] = [];
      page.on('console', (message) => {
        if (message.type() === 'error') complaints.push(message.text());
      });
      page.on('pageerror', (error) => complaints.push(error.message));
      await use(complaints);
      const meant = complaints.filter(
        (text) => !/ERR_INTERNET_DISCONNECTED|status of (404|409|422)/u.test(text),
      );
      expect(meant, 'the console stays quiet').toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };

/** Nothing serious for a screen reader, and nothing wider than the screen. */
export async function isFit(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(serious.map(({ id, nodes }) => `${id}: ${nodes[0]?.html.slice(0, 160)}`)).toEqual([]);
  const overflow = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  );
  expect(overflow).toBeLessThanOrEqual(0);
}

/** Opens the start page of a valve and begins a run as a newcomer would. */
export async function begin(page: Page, valve: string, link: 'linked' | 'typed' = 'linked'): Promise<void> {
  await page.goto(`/valves/${valve}/start`);
  await page.getByLabel('Technician').fill('Edda Lorenz');
  await page.getByRole('radio', { name: link === 'linked' ? /Simulated gauge/ : /Hand-held gauge/ }).click();
  await page.getByTestId('start-run').click();
  await expect(page.getByRole('button', { name: 'Read and understood' })).toBeVisible();
  if (link === 'linked') await hurry(page);
}

/** Lets the simulated valve live ten times as fast, or in real time again. */
export async function hurry(page: Page, name = /ten times faster/): Promise<void> {
  await page.getByRole('button', { name: 'More about this run' }).click();
  await page.getByRole('button', { name }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
}

/** Waits for the linked gauge to come to rest, then reads it. */
export async function readSettled(page: Page): Promise<void> {
  await expect(page.getByText(/^settled/)).toBeVisible({ timeout: 60_000 });
  await page.getByTestId('read-gauge').click();
}

/** Waits for the travel scale to come to rest, then takes the point. */
async function takeSettled(page: Page): Promise<void> {
  await expect(page.getByText(/^settled/)).toBeVisible({ timeout: 60_000 });
  await page.getByTestId('take-point').click();
}

/** Presses a button as soon as it may be pressed; one that goes away meanwhile is let go. */
async function whenReady(page: Page, id: string): Promise<void> {
  const button = page.getByTestId(id);
  for (let i = 0; i < 300; i++) {
    if (!(await button.isVisible())) return;
    if ((await button.getAttribute('aria-disabled', { timeout: 1000 }).catch(() => 'true')) !== 'true') {
      await button.click({ timeout: 2000 }).catch(() => undefined);
      return;
    }
    await page.waitForTimeout(200);
  }
  throw new Error(`${id} never became ready`);
}

/** Logs long enough for the value to come to rest, at ten times speed, then has it fitted. */
async function fitWhenRested(page: Page): Promise<void> {
  await expect(page.getByText(/fit (1[6-9]|[2-9]\d)\d s/)).toBeVisible({ timeout: 60_000 });
  await page.getByTestId('fit-step').click();
}

/** Waits until the contact has changed, then takes what was caught. */
const markSwitch = (page: Page): Promise<void> => whenReady(page, 'mark-switch');

/** Presses through confirmations and linked readings until a title is on screen. */
export async function walkUntil(page: Page, title: RegExp): Promise<void> {
  for (let i = 0; i < 170; i++) {
    if (await page.getByText(title).first().isVisible()) return;
    await oneStep(page);
  }
  throw new Error(`never came to ${title}`);
}

async function oneStep(page: Page): Promise<void> {
  const seen = async (id: string) => page.getByTestId(id).isVisible();
  const putBack = page.getByRole('button', { name: /^Put back:/ }).first();
  const flow = page.getByRole('button', { name: /^It is / });
  const confirm = page.getByTestId('confirm-step');
  if (await putBack.isVisible()) await putBack.click();
  else if (await seen('in-lane')) await page.getByTestId('in-lane').click();
  else if (await seen('first-dribble')) await searchOnce(page);
  else if (await seen('mark-cracked')) await captureCycle(page);
  else if (await seen('take-point')) await takeSettled(page);
  else if (await seen('mark-switch')) await markSwitch(page);
  else if (await seen('take-sweep')) await whenReady(page, 'take-sweep');
  else if (await seen('step-output')) await whenReady(page, 'step-output');
  else if (await seen('fit-step')) await fitWhenRested(page);
  else if (await seen('confirm-dial')) await page.getByTestId('confirm-dial').click();
  else if (await seen('dial')) await page.getByTestId('dial').click();
  else if (await seen('light')) await whenReady(page, 'light');
  else if (await seen('purged')) await whenReady(page, 'purged');
  else if (await seen('start-clock')) await whenReady(page, 'start-clock');
  else if (await seen('clock-yes')) await page.getByTestId('clock-yes').click();
  else if (await seen('turned')) await whenReady(page, 'turned');
  else if (await seen('change-spring')) await page.getByTestId('change-spring').click();
  else if (await page.getByRole('checkbox', { checked: false }).first().isVisible())
    await page.getByRole('checkbox', { checked: false }).first().click();
  else if (await seen('write-registers')) await whenReady(page, 'write-registers');
  else if (await seen('start-task')) await whenReady(page, 'start-task');
  else if (await seen('give-answer')) await answer(page);
  else if (await flow.isVisible()) await flow.click();
  else if (await seen('read-gauge')) await readSettled(page);
  else if (await seen('watch')) {
    if (await page.getByTestId('watch').isEnabled()) await page.getByTestId('watch').click();
    await expect(confirm).toBeVisible({ timeout: 60_000 });
  } else if (await confirm.isVisible()) await confirm.click();
  else await choose(page);
  await page.waitForTimeout(150);
}

/** Looks at the outlet after a turn: a dribble is marked, otherwise the next turn is made. */
async function searchOnce(page: Page): Promise<void> {
  await page.waitForTimeout(900);
  const dribbles = page.getByText(/at the outlet: (it dribbles|runs full)/);
  await page.getByTestId((await dribbles.isVisible()) ? 'first-dribble' : 'turned').click();
}

/** One cycle of a relief by the big buttons: up, first dribble, full flow, down, tight again. */
export async function captureCycle(page: Page): Promise<void> {
  await expect(page.getByText('at the outlet: tight')).toBeVisible({ timeout: 60_000 });
  await page.getByTestId('raise').click();
  await expect(page.getByText(/at the outlet: (it dribbles|runs full)/)).toBeVisible({ timeout: 60_000 });
  await page.getByTestId('mark-cracked').click();
  await page.waitForTimeout(1200);
  await page.getByTestId('mark-full').click();
  await page.getByTestId('let-down').click();
  await expect(page.getByText('at the outlet: tight')).toBeVisible({ timeout: 60_000 });
  await page.getByTestId('mark-reseated').click();
}

/** What a practised hand answers where a figure is asked for. */
async function answer(page: Page): Promise<void> {
  const unknown = page.getByRole('button', { name: 'not known: go on' });
  if (await unknown.isVisible()) return unknown.click();
  const isNow = await page.getByLabel('Outlets open now').isVisible();
  await page.getByLabel(/^Outlets/).fill(isNow ? '8' : '4');
  return page.getByTestId('give-answer').click();
}

async function choose(page: Page): Promise<void> {
  const calm = page.getByRole('button', { name: /^(It stayed|Yes|Yes, the same)$/ }).first();
  if (await calm.isVisible()) await calm.click();
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

export const sheetsOf = async (request: APIRequestContext, valve: string) =>
  (await (await request.get(`/api/valves/${valve}/sheets`)).json()) as {
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
  }[];
