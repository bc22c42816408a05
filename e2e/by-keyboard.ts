import { expect, type Locator, type Page } from '@playwright/test';

/** Keys that a person would press before he gave up. */
const MOST_TABS = 80;
const byKeys = new WeakSet<Page>();

/** Whether a part, or something within it, has the focus; undefined once it has gone. */
const hasFocus = (part: Locator): Promise<boolean | undefined> =>
  part.evaluateAll((found) => found[0]?.contains(document.activeElement));

/** Goes on with the tab key until a part has the focus, or has gone. */
async function tabTo(page: Page, part: Locator): Promise<boolean> {
  for (let i = 0; i < MOST_TABS; i++) {
    const has = await hasFocus(part);
    if (has !== false) return has === true;
    await page.keyboard.press('Tab');
  }
  throw new Error('no key leads there');
}

/** Presses a part as a keyboard does. */
async function pressByKeys(page: Page, part: Locator, timeout: number): Promise<void> {
  await expect(part).toBeVisible({ timeout });
  await expect(part).not.toHaveAttribute('aria-disabled', 'true', { timeout });
  if (await tabTo(page, part)) await page.keyboard.press('Enter');
}

let isPatched = false;

/** From now on everything that is pressed on this page is reached by the tab key and pressed by Enter: no pointer. */
export function byKeyboard(page: Page): void {
  byKeys.add(page);
  if (isPatched) return;
  isPatched = true;
  const hand = Object.getPrototypeOf(page.locator('html')) as Locator;
  const click = hand.click;
  hand.click = function (this: Locator, options) {
    const own = this.page();
    return byKeys.has(own)
      ? pressByKeys(own, this, options?.timeout ?? 30_000)
      : click.call(this, options);
  };
}
