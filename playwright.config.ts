import { defineConfig } from '@playwright/test';

const port = Number(process.env.E2E_PORT ?? 8141);
const data = 'test-results/e2e.sqlite';

/** The built demo, as a person meets it: a phone and a wide screen. */
export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results/artifacts',
  workers: 1,
  timeout: 150_000,
  retries: process.env.CI ? 1 : 0,
  reporter: [['list']],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    trace: 'retain-on-failure',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
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
  webServer: {
    command: `rm -f ${data}* && node dist/server.mjs`,
    url: `http://127.0.0.1:${port}/api/health`,
    env: { PORT: String(port), DATA: data, SEED: 'demo', APP: 'dist/app', NODE_ENV: 'production' },
    reuseExistingServer: false,
    timeout: 60_000,
  },
  projects: [
    { name: 'phone', use: { viewport: { width: 390, height: 844 } }, testIgnore: /wide\.spec/ },
    { name: 'wide', use: { viewport: { width: 1280, height: 800 } }, testMatch: /wide\.spec/ },
  ],
});
