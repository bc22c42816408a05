import { existsSync } from 'node:fs';

/** Debian's Chromium without a window of its own draws with half the work of the whole browser. */
const shell = '/usr/bin/chromium-headless-shell';
const whole = '/usr/bin/chromium';

/** The package that brings what the tests are quickest with. */
export const browserPackage = 'chromium-headless-shell';
export const hasShell = () => existsSync(shell);
export const browserPath = () =>
  process.env.CHROMIUM ?? [shell, whole].find((path) => existsSync(path)) ?? shell;
