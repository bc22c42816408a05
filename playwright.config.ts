import { defineConfig } from '@playwright/test';
import { browserPath } from './scripts/browser.mjs';

const port = Number(process.env.E2E_PORT ?? 8121);
// A browser waits for much of its time, for a valve that settles: four fill two cores.
const workers = 4;

/** The built demo, as a person meets it: a phone and a wide screen. */
export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results/artifacts',
  workers,
  fullyParallel: true,
  // On a machine that others use too, the longest has been seen to take nearly three minutes.
  timeout: 300_000,
  // Browsers and servers share two cores.
  expect: { timeout: 30_000 },
  retries: 0,
  reporter: [['list']],
  use: {
    screenshot: 'only-on-failure',
    // Each context would fetch a copy of the whole app first: those that go off line ask for it.
    serviceWorkers: 'block',
    contextOptions: { reducedMotion: 'reduce' },
    trace: process.env.E2E_TRACE ? 'retain-on-failure' : 'off',
    launchOptions: {
      executablePath: browserPath(),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  // One that begins with an empty register, and one for each worker.
  webServer: Array.from({ length: workers + 1 }, (_, i) => ({
    command: `node scripts/e2e-server.mjs ${port + i}${i === 0 ? ' empty' : ''}`,
    url: `http://127.0.0.1:${port + i}/api/health`,
    reuseExistingServer: false,
    timeout: 60_000,
  })),
  projects: [
    { name: 'phone', use: { viewport: { width: 390, height: 844 } }, testIgnore: /wide\.spec/ },
    { name: 'wide', use: { viewport: { width: 1280, height: 800 } }, testMatch: /wide\.spec/ },
  ],
});
