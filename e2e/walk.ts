import { expect, type Page } from '@playwright/test';

/** A press or a figure that the page may have gone on from: the next look decides what to do. */
const SOON = { timeout: 3000 };
/** ms between two looks at what is waited for; at every frame, looking costs more than what is looked at. */
const LOOK_AGAIN_MS = 120;
const letGo = () => undefined;

/** What is on the page now, in one look: the step, its entries, what may be pressed, what is read. */
type Look = {
  readonly mark: string;
  readonly lived: number;
  /** Visible parts by their id: whether they may be pressed. */
  readonly parts: Readonly<Record<string, boolean>>;
  readonly text: string;
};

export const look = (page: Page): Promise<Look> =>
  page.evaluate(() => {
    // What is behind and what comes is on the page too: only what is in hand counts.
    const textHere = () =>
      [...document.querySelectorAll<HTMLElement>('[data-testid^="path-"]')].reduce(
        (text, aside) => text.replace(aside.innerText, ''),
        document.body.innerText,
      );
    const frame = document.querySelector('[data-step]');
    const parts: Record<string, boolean> = {};
    for (const part of document.querySelectorAll('[data-testid]'))
      if (part.getClientRects().length > 0)
        parts[part.getAttribute('data-testid')!] = part.getAttribute('aria-disabled') !== 'true';
    return {
      mark: `${frame?.getAttribute('data-step')} ${frame?.getAttribute('data-entries')}`,
      lived: Number(frame?.getAttribute('data-lived') ?? 0),
      parts,
      text: textHere(),
    };
  });

/**
 * Waits until the run has another entry, or stands at another step. A press that came while the page
 * still moved is not waited for longer than this: the next look decides what to do.
 */
export const moved = (page: Page, { mark }: Look): Promise<unknown> =>
  page
    .waitForFunction(
      (before) => {
        const frame = document.querySelector('[data-step]');
        const now = `${frame?.getAttribute('data-step')} ${frame?.getAttribute('data-entries')}`;
        return now !== before;
      },
      mark,
      { timeout: 5000, polling: LOOK_AGAIN_MS },
    )
    .catch(() => undefined);

/** Waits until the simulated valve has lived on for some seconds of its own. */
export const livedOn = (page: Page, { lived }: Look, seconds: number): Promise<unknown> =>
  page.waitForFunction(
    (until) => Number(document.querySelector('[data-step]')?.getAttribute('data-lived')) >= until,
    lived + seconds,
    { polling: LOOK_AGAIN_MS },
  );

/** Waits until a part may be pressed, or has gone. */
const ready = (page: Page, id: string): Promise<unknown> =>
  page.waitForFunction(
    (wanted) => {
      const part = document.querySelector(`[data-testid="${wanted}"]`);
      return !part || part.getAttribute('aria-disabled') !== 'true';
    },
    id,
    { timeout: 60_000, polling: LOOK_AGAIN_MS },
  );

/** Waits for the linked gauge, or the travel scale, to come to rest, or for the run to go on. */
async function rested(page: Page, { mark }: Look): Promise<boolean> {
  const how = await page.waitForFunction(
    (before) => {
      const frame = document.querySelector('[data-step]');
      const now = `${frame?.getAttribute('data-step')} ${frame?.getAttribute('data-entries')}`;
      if (now !== before) return 'gone on';
      return /^settled/mu.test(document.body.innerText) ? 'rests' : false;
    },
    mark,
    { timeout: 60_000, polling: LOOK_AGAIN_MS },
  );
  return (await how.jsonValue()) === 'rests';
}

/** Waits until what is measured has come to rest, then takes it. */
async function takeSettled(page: Page, seen: Look, id: 'read-gauge' | 'take-point'): Promise<void> {
  if (!(await rested(page, seen))) return;
  await page
    .getByTestId(id)
    .click({ timeout: 5000 })
    .catch(() => undefined);
  await moved(page, seen);
}

/** Parts that are pressed when they are there, the more telling first, and whether that is an entry. */
const presses: readonly (readonly [id: string, isEntry: boolean])[] = [
  ['in-lane', true],
  ['take-sweep', true],
  ['step-output', false],
  ['confirm-dial', true],
  ['dial', false],
  ['light', true],
  ['purged', true],
  ['start-clock', false],
  ['clock-yes', true],
  ['mark-switch', true],
  ['turned', true],
  ['change-spring', true],
  ['write-registers', true],
  ['start-task', false],
];

async function press(page: Page, id: string, seen: Look, isEntry: boolean): Promise<void> {
  if (!seen.parts[id]) await ready(page, id);
  const button = page.getByTestId(id);
  if (!(await button.isVisible())) return;
  await button.click(SOON).catch(letGo);
  if (isEntry) await moved(page, seen);
  else
    await page
      .waitForFunction(
        (gone) => {
          const part = document.querySelector(`[data-testid="${gone}"]`);
          return !part || part.getAttribute('aria-disabled') === 'true';
        },
        id,
        { timeout: 2000, polling: LOOK_AGAIN_MS },
      )
      .catch(() => undefined);
}

/** Presses through confirmations and linked readings until a title is on screen. */
export async function walkUntil(page: Page, title: RegExp): Promise<void> {
  for (let i = 0; i < 320; i++) {
    const seen = await look(page);
    if (title.test(seen.text)) return;
    await oneStep(page, seen);
  }
  throw new Error(`never came to ${title}`);
}

async function oneStep(page: Page, seen: Look): Promise<void> {
  const has = (id: string) => id in seen.parts;
  const putBack = page.getByRole('button', { name: /^Put back:/ });
  if (seen.text.includes('Put back') && (await putBack.count()) > 0) {
    await putBack.first().click(SOON).catch(letGo);
    await moved(page, seen);
  } else if (has('first-dribble')) await searchOnce(page, seen);
  else if (has('mark-cracked')) await captureCycle(page);
  else if (has('take-point')) await takeSettled(page, seen, 'take-point');
  else if (has('fit-step')) await fitWhenRested(page, seen);
  else {
    const found = presses.find(([id]) => has(id));
    if (found) await press(page, found[0], seen, found[1]);
    else await answerOrRead(page, seen);
  }
}

/** What is neither pressed nor moved: answers, readings, a watch, a confirmation. */
async function answerOrRead(page: Page, seen: Look): Promise<void> {
  const has = (id: string) => id in seen.parts;
  const unticked = page.getByRole('checkbox', { checked: false });
  const flow = page.getByRole('button', { name: /^It is / });
  if ((await unticked.count()) > 0) await unticked.first().click(SOON).catch(letGo);
  else if (has('give-answer')) await answer(page);
  else if (has('read-gauge')) return takeSettled(page, seen, 'read-gauge');
  else if (has('watch')) {
    if (seen.parts['watch']) await page.getByTestId('watch').click();
    await expect(page.getByTestId('confirm-step')).toBeVisible({ timeout: 60_000 });
    return;
  } else if (has('confirm-step')) {
    await ready(page, 'confirm-step');
    await page.getByTestId('confirm-step').click(SOON).catch(letGo);
  } else if ((await flow.count()) > 0) await flow.first().click(SOON).catch(letGo);
  else {
    await choose(page);
    return;
  }
  await moved(page, seen);
}

/** Logs long enough for the value to come to rest, then has it fitted. */
async function fitWhenRested(page: Page, seen: Look): Promise<void> {
  await expect(page.getByText(/fit (1[6-9]|[2-9]\d)\d s/)).toBeVisible({ timeout: 60_000 });
  await page.getByTestId('fit-step').click();
  await moved(page, seen);
}

/** Looks at the outlet after a turn: a dribble is marked, otherwise the next turn is made. */
async function searchOnce(page: Page, seen: Look): Promise<void> {
  await livedOn(page, seen, 12);
  const dribbles = page.getByText(/at the outlet: (it dribbles|runs full)/);
  await page.getByTestId((await dribbles.isVisible()) ? 'first-dribble' : 'turned').click();
  await moved(page, seen);
}

/** One cycle of a relief by the big buttons: up, first dribble, full flow, down, tight again. */
export async function captureCycle(page: Page): Promise<void> {
  const wait = { timeout: 90_000 };
  await expect(page.getByText('at the outlet: tight')).toBeVisible(wait);
  await page.getByTestId('raise').click();
  await expect(page.getByText(/at the outlet: (it dribbles|runs full)/)).toBeVisible(wait);
  await page.getByTestId('mark-cracked').click();
  await livedOn(page, await look(page), 6);
  await page.getByTestId('mark-full').click();
  await page.getByTestId('let-down').click();
  await expect(page.getByText('at the outlet: tight')).toBeVisible(wait);
  const before = await look(page);
  await page.getByTestId('mark-reseated').click();
  await moved(page, before);
}

/** What a practised hand answers where a figure is asked for. */
async function answer(page: Page): Promise<void> {
  const unknown = page.getByRole('button', { name: 'not known: go on' });
  if (await unknown.isVisible()) return unknown.click(SOON).catch(letGo);
  const outlets = page.getByLabel(/^Outlets/);
  const isNow = await page.getByLabel('Outlets open now').isVisible();
  const counts = await outlets.isVisible();
  const field = counts ? outlets : page.getByRole('textbox').first();
  await field.fill(counts ? (isNow ? '8' : '4') : 'none', SOON).catch(letGo);
  return page.getByTestId('give-answer').click(SOON).catch(letGo);
}

/** What is said where the first answer that is offered is not the calm one. */
const CALM = /^(It stayed|No, not here)$/;

/** An answer where there is one; a page that is still coming is waited for. */
async function choose(page: Page): Promise<void> {
  const offered = page.locator('[data-testid^="choice-"]');
  await offered.first().waitFor({ timeout: 2000 }).catch(letGo);
  const calm = offered.filter({ hasText: CALM });
  const answer = (await calm.count()) > 0 ? calm : offered;
  await answer.first().click(SOON).catch(letGo);
}
