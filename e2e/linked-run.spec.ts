import { execFileSync } from 'node:child_process';
import {
  checkWith,
  readJsonFile,
  readReadingsCsv,
  sheetFileSchema,
  unwrap,
  verifySheet,
} from '@holvek/core';
import { readFileSync } from 'node:fs';
import { begin, expect, hurry, isFit, liveAt, sheetsOf, signAndOpen, test } from './technician';
import { beginAt } from './rehearsed';
import { livedOn, look, walkUntil } from './walk';

test.describe('the whole way', () => {
  test.use({ serviceWorkers: 'allow' });

  test('a newcomer brings a valve from as-found to a signed sheet and takes it away', async ({
    page,
    request,
  }) => {
    await page.goto('/');
    await page.getByRole('radio', { name: 'Hill round' }).click();
    await page.getByRole('button', { name: /practise on a simulated valve/ }).click();
    await expect(page.getByRole('button', { name: /PRV-03/ })).toBeVisible();
    await isFit(page);
    await page.getByRole('button', { name: /PRV-03/ }).click();
    await page.getByTestId('start-run').click();
    await walkUntil(page, /only approved accessories/i);
    await walkUntil(page, /Come up|next move|Read the gauge/);
    await expect(page.getByTestId('lane-strip')).toBeVisible();
    await expect(page.getByTestId('open-ends')).toHaveText('3 open ends');
    await walkUntil(page, /Put everything back/);
    await walkUntil(page, /Signing freezes/);
    await signAndOpen(page);
    const score = page.getByTestId('score');
    await expect(score).toContainText(/of 100[\s\S]*Moves/u);
    await expect(score).not.toContainText(/was wrong with it\./u);
    await score.getByRole('radio', { name: 'Nothing', exact: true }).click();
    await expect(score).toContainText('Nothing was wrong with it. You said so.');
    await page.getByRole('button', { name: 'show the master’s way' }).click();
    await expect(page.getByTestId('moves')).toContainText(/the master[\s\S]*cw/u);
    await isFit(page);

    const [sheet] = await sheetsOf(request, 'prv-03');
    expect(Math.abs(sheet!.body.settings[0]!.as_left_pa - 450_000)).toBeLessThanOrEqual(15_000);
    expect(sheet!.body.open_ends.every(({ state }) => state === 'closed')).toBe(true);

    const files: Record<string, string> = {};
    for (const ending of ['PDF', 'CSV', 'JSON']) {
      const waiting = page.waitForEvent('download');
      await page.getByRole('button', { name: ending }).click();
      const download = await waiting;
      files[ending] = await download.path();
      expect(download.suggestedFilename()).toMatch(
        new RegExp(`^PRACTICE-PRV-03-.*\\.${ending.toLowerCase()}$`),
      );
    }
    expect(readFileSync(files['PDF']!).subarray(0, 5).toString()).toBe('%PDF-');
    const read = unwrap(readReadingsCsv(readFileSync(files['CSV']!, 'utf8')));
    expect(read.issues).toEqual([]);
    expect(read.rows.at(-1)!.purpose).toBe('as_left');
    const file = unwrap(readJsonFile(readFileSync(files['JSON']!, 'utf8'), sheetFileSchema));
    const check = checkWith(globalThis.crypto.subtle);
    expect((await verifySheet(file, { check })).faults).toEqual([]);

    // Without a network the phone makes the same paper itself.
    await page.context().setOffline(true);
    const waiting = page.waitForEvent('download');
    await page.getByRole('button', { name: 'PDF' }).click();
    const made = await (await waiting).path();
    expect(wordsOf(made).filter((word) => !wordsOf(files['PDF']!).includes(word))).toEqual([]);
    expect(wordsOf(made).length).toBeGreaterThan(200);
    await page.context().setOffline(false);

    expect(await sheetsOf(request, 'prv-03', 'record')).toEqual([]);
    await page.goto('/valves/prv-03');
    await expect(page.getByText('never set')).toBeVisible();
  });
});

const wordsOf = (file: string): readonly string[] =>
  execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }).split(/\s+/u);

test('a reversed screw is noticed, turned round and still set', async ({ page }) => {
  await begin(page, 'prv-08');
  await walkUntil(page, /next move/);
  await page.getByTestId('turned').click();
  await walkUntil(page, /It didn’t answer that turn|It went the other way/);
  await page.getByRole('button', { name: 'See why' }).click();
  const reversed = page.getByRole('button', { name: /Look into: This screw works the other way/ });
  if (await reversed.isVisible()) await reversed.click();
  const rises = page.getByRole('button', { name: 'Yes, it rises' });
  if (await rises.isVisible()) await rises.click();
  await page.getByRole('button', { name: 'Turn the direction round' }).click();
  await expect(page.getByTestId('next-move')).toHaveText(/anticlockwise/);
  await walkUntil(page, /In the lane/);
});

test('a main that is still filling is said, and nothing is learned from it', async ({ page }) => {
  await liveAt(page, 10);
  await beginAt(page, 'prv-09', 'loosen_nut');
  // A main that stood shut for a moment only is full again before anybody sees it fill.
  await livedOn(page, await look(page), 150);
  await walkUntil(page, /next move/);
  await page.getByTestId('turned').click();
  await expect(page.getByText('Wide open: the main is still filling')).toBeVisible({
    timeout: 30_000,
  });
  await page.getByRole('button', { name: 'gauge doesn’t answer' }).click();
  await expect(page.getByRole('heading', { name: 'The main is still filling' })).toBeVisible();
  await page.getByRole('button', { name: 'Wait, watch it' }).click();
  // How empty the main has run depends on how long it stood shut: minutes of its own, when filling.
  await hurry(page);
  await expect(page.locator('[data-step]')).toHaveAttribute('data-step', 'come_up');
  await expect(page.getByText('Wide open: the main is still filling')).toBeHidden({
    timeout: 60_000,
  });
  await walkUntil(page, /In the lane/);
});

test('undo takes back a turn, and the simulated screw with it', async ({ page }) => {
  await beginAt(page, 'prv-14', 'come_up');
  await walkUntil(page, /next move/);
  const advised = await page.getByTestId('next-move').textContent();
  await page.getByTestId('turned').click();
  await expect(page.getByTestId('turned')).toBeHidden();
  await page.getByRole('button', { name: 'undo' }).click();
  await expect(page.getByTestId('next-move')).toHaveText(advised!);
  await page.getByRole('button', { name: 'other amount' }).click();
  await page.getByLabel('Turns').fill('40');
  await expect(page.getByRole('alert')).toContainText('from end to end');
  await page.getByLabel('Turns').fill('0');
  await expect(page.getByRole('alert')).toContainText('turn of nothing');
});

test('work left by another phone is carried on where it stood', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('radio', { name: 'Hill round' }).click();
  await expect(page.getByText(/Setting to 520\skPa, now at/)).toBeVisible();
  const card = page.getByRole('button', { name: 'Back to the screw' });
  await card.last().click();
  await expect(page.getByRole('heading', { name: 'PRV-07' }).first()).toBeVisible();
  await expect(page.getByTestId('next-move')).toBeVisible();
  await page.getByTestId('open-ends').click();
  await expect(page.getByText('Lock nut loose, cap off').first()).toBeVisible();
});

test('hands full: the figure is large, and a clicker’s press reads and turns', async ({ page }) => {
  // Before any page: one that is still coming would write its own over them.
  await page.addInitScript(() => {
    const chosen = { twinSpeed: 40, isLarge: true, hasClicker: true };
    localStorage.setItem('holvek.preferences', JSON.stringify(chosen));
  });
  await beginAt(page, 'prv-05', 'come_up');
  const figure = page.getByTestId('live-figure');
  await expect(figure).toBeVisible();
  expect((await figure.boundingBox())!.height).toBeGreaterThan(80);
  await isFit(page);
  await expect(page.getByText(/^settled/u)).toBeVisible({ timeout: 20_000 });
  await page.keyboard.press('PageDown');
  await expect(page.getByTestId('next-move')).toBeVisible();
  await page.keyboard.press('PageDown');
  await expect(page.getByText('Read it again')).toBeVisible();
});
