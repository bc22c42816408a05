import { spawn } from 'node:child_process';
import type { RunEvent } from '@holvek/core';
import type { Page } from '@playwright/test';
import { begin, confirmUntil, expect, isFit, test } from './technician';

/** A serial port with a gauge on it, that the test speaks for: `say` in the page sends what it says. */
async function plugIn(page: Page): Promise<(text: string) => Promise<void>> {
  await page.addInitScript(() => {
    let to: ReadableStreamDefaultController<Uint8Array> | undefined;
    const port = {
      open: () => Promise.resolve(),
      close: () => Promise.resolve(),
      writable: new WritableStream(),
      readable: new ReadableStream<Uint8Array>({ start: (controller) => void (to = controller) }),
    };
    Object.defineProperty(navigator, 'serial', { value: { requestPort: async () => port } });
    Object.assign(window, { say: (text: string) => to?.enqueue(new TextEncoder().encode(text)) });
  });
  return (text) =>
    page.evaluate((said) => (window as unknown as { say: (text: string) => void }).say(said), text);
}

test('a gauge speaks over its line: seen raw, read into the pad, taken as linked, and by hand when it stops', async ({
  page,
  request,
}) => {
  const say = await plugIn(page);
  await begin(page, 'prv-08', 'typed');
  const runId = page.url().split('/').at(-1)!;
  await page.getByRole('button', { name: 'More about this run' }).click();
  await page.getByRole('button', { name: 'Link a gauge by its line' }).click();
  await page.getByRole('radio', { name: 'G-12' }).click();
  await isFit(page);
  await page.getByRole('button', { name: 'Choose the port and listen' }).click();
  const raw = page.getByTestId('line-raw');
  await say('6.2 kPa\r\n416.0 kPa\r\n');
  await expect(raw).toContainText('416.0 kPa');
  await expect(raw).toContainText(/It shows 416/);
  await say('@@@\r\n@@@\r\n@@@\r\n@@@\r\n');
  await expect(raw.getByRole('alert')).toContainText('Its lines look otherwise');
  await say('417.0 kPa\r\n');
  await expect(raw.getByRole('alert')).toHaveCount(0);
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await confirmUntil(page, /Read the outlet as found/);
  // What it said last is no reading once the line cannot be read.
  await say('@@@\r\n@@@\r\n@@@\r\n@@@\r\n');
  await expect(page.getByText('G-12: its line is lost, read it by eye')).toBeVisible();
  await page.getByTestId('read-gauge').click();
  await expect(page.getByLabel('Reading of G-12')).toHaveValue('');
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await say('418.0 kPa\r\n');
  await page.getByTestId('read-gauge').click();
  await expect(page.getByLabel('Reading of G-12')).toHaveValue('418 kPa');
  await page.getByRole('button', { name: /^Take it/ }).click();
  await expect(async () => {
    const { events } = (await (await request.get(`/api/runs/${runId}`)).json()) as {
      events: RunEvent[];
    };
    const taken = events.flatMap((event) => (event.type === 'reading' ? [event.reading] : []));
    expect(taken.at(-1)).toMatchObject({ source: 'linked', si: 418_000, entered: { unit: 'kPa' } });
  }).toPass();
});

test('a bridge hands on what hangs at another end; a gauge that is not there is looked at, and read nowhere', async ({
  page,
}) => {
  const bridge = spawn('npx', ['tsx', 'scripts/bridge.ts', 'simulated'], { detached: true });
  const runs = new Promise<string>((said) =>
    bridge.stdout.on('data', (text: Buffer) => said(text.toString())),
  );
  try {
    await begin(page, 'prv-08', 'typed');
    await page.getByRole('button', { name: 'More about this run' }).click();
    await page.getByRole('button', { name: 'Link a gauge by its line' }).click();
    await page.getByRole('radio', { name: 'G-12' }).click();
    await page.getByRole('radio', { name: 'a bridge' }).click();
    await page.getByLabel('Address of the bridge').fill('localhost:8145/two');
    await runs;
    await page.getByRole('button', { name: 'Listen through the bridge' }).click();
    await expect(page.getByText('The bridge says: there is no port two here.')).toBeVisible();
    await page.getByLabel('Address of the bridge').fill('localhost:8145');
    await page.getByRole('button', { name: 'Listen through the bridge' }).click();
    const raw = page.getByTestId('line-raw');
    await expect(raw).toContainText(/It shows 41\d/);
    await expect(raw.getByRole('alert')).toContainText('No gauge hangs at its end');
    await isFit(page);
    await page.getByRole('button', { name: 'Close', exact: true }).click();
    await confirmUntil(page, /Read the outlet as found/);
    await page.getByTestId('read-gauge').click();
    await expect(page.getByLabel('Reading of G-12')).toHaveValue('');
  } finally {
    process.kill(-bridge.pid!);
  }
});
