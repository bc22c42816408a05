import { existsSync } from 'node:fs';
import { build, install, run, tell } from './lib.mjs';

/** Everything that must hold before a change is taken: types, lint, unit tests, the real interface. */
await install();
ensureChromium();
tell('types');
run('npx', ['expo', 'customize', 'tsconfig.json'], {
  cwd: 'packages/app',
  stdio: 'ignore',
  env: { ...process.env, CI: '1', EXPO_OFFLINE: '1' },
});
for (const part of ['packages/core', 'packages/server', 'packages/app', '.']) run('npx', ['tsc', '-p', part]);
tell('lint and format');
run('npx', ['eslint', '.', '--max-warnings', '0']);
run('npx', ['prettier', '--check', '--log-level', 'warn', '.']);
tell('unit tests');
run('npx', ['jest', '--ci']);
await build();
tell('end-to-end tests');
run('npx', ['playwright', 'test']);
tell('all is well');

/** Debian's Chromium, installed when this is root and it is missing. */
function ensureChromium() {
  const path = process.env.CHROMIUM ?? '/usr/bin/chromium';
  if (existsSync(path)) return;
  if (process.getuid?.() !== 0) {
    console.error('Chromium is missing. Run: sudo apt-get install -y chromium');
    process.exit(1);
  }
  tell('installing Chromium from Debian');
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-qq'], { env });
  run('apt-get', ['install', '-y', '-qq', 'chromium'], { env });
}
