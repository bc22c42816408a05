import { browserPath } from '../browser.mjs';
import { chromium, type Page } from '@playwright/test';
import { rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
// @ts-expect-error: a plain script, shared with `npm run demo`.
import { build, startServer } from '../lib.mjs';

/** Bare Expo Router export of these versions, entry and common, as measured when the stack was tried. */
const BARE_GZIP_KB = 286 + 226;
const PORT = 8149;

/** What the first screen loads, and how it feels with the CPU slowed four times. */
export async function webBench() {
  await build();
  const data = join(tmpdir(), 'holvek-bench-web.sqlite');
  for (const ending of ['', '-wal', '-shm']) rmSync(data + ending, { force: true });
  const server = await startServer({ port: PORT, data, stdio: 'ignore' });
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
  try {
    const page = await browser.newPage({
      viewport: { width: 390, height: 844 },
      serviceWorkers: 'block',
    });
    const someone = { short: 'edda', secret: '240758', device: 'bench' };
    await page.request.post(`http://127.0.0.1:${PORT}/api/session`, { data: someone });
    const sizes: Promise<number>[] = [];
    page.on('response', (response) => {
      if (/\.(js|html|css)$|\/$/u.test(new URL(response.url()).pathname))
        sizes.push(response.body().then((body) => gzipSync(body).length));
    });
    await slow(page);
    const start = performance.now();
    await page.goto(`http://127.0.0.1:${PORT}/`);
    await page.getByTestId('round-PRV-07').waitFor();
    const firstRound = performance.now() - start;
    await page.waitForTimeout(1500);
    // What the next page loads is another matter.
    const firstGzip = (await Promise.all(sizes)).reduce((sum, size) => sum + size, 0);
    page.removeAllListeners('response');
    await page.goto(`http://127.0.0.1:${PORT}/runs/prv-07-visit-3`);
    await page.getByTestId('turned').waitFor();
    const delays: number[] = [];
    for (let i = 0; i < 5; i++) {
      delays.push(await tapToPaint(page, 'turned'));
      await page.getByRole('button', { name: 'undo' }).click();
      await page.getByTestId('turned').waitFor();
    }
    delays.sort((a, b) => a - b);
    return [
      { measure: 'gzip of what the first screen loads, kB', value: firstGzip / 1000 },
      { measure: 'against a bare Expo Router export', ratio: firstGzip / 1000 / BARE_GZIP_KB },
      { measure: 'first usable round, CPU slowed 4 ×, ms', value: firstRound },
      {
        measure: 'tap to next paint on the Set step, CPU slowed 4 ×, median ms',
        value: delays[2]!,
      },
      { measure: 'the same, slowest of five, ms', value: delays[4]! },
    ];
  } finally {
    await browser.close();
    server.kill('SIGTERM');
  }
}

async function slow(page: Page): Promise<void> {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: 4 });
}

/** Milliseconds from the press to the first frame after the screen has changed for it. */
const tapToPaint = (page: Page, testId: string): Promise<number> =>
  page.evaluate(
    (id) =>
      new Promise<number>((done) => {
        const button = document.querySelector<HTMLElement>(`[data-testid="${id}"]`)!;
        const start = performance.now();
        const seen = new MutationObserver(() => {
          if (document.body.contains(button)) return;
          seen.disconnect();
          requestAnimationFrame(() => requestAnimationFrame(() => done(performance.now() - start)));
        });
        seen.observe(document.body, { childList: true, subtree: true });
        button.click();
      }),
    testId,
  );
