import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { browserPackage, hasShell } from './browser.mjs';
import { build, install, root, run, runShowing, runTelling, tell } from './lib.mjs';

/**
 * Everything that must hold before a change is taken: types, lint, unit tests, the real interface.
 * `--quick` keeps to what a change touches: types, lint, and the unit tests that reach changed files.
 */
const isQuick = process.argv.includes('--quick');
const parts = [];
const started = Date.now();
/** The native compiler checks in a fifth of the time; editors and ESLint keep to the other, which can be asked. */
const compiler = join(root, 'node_modules/typescript-native/bin/tsc');

await install();
if (!isQuick) ensureDebian();
if (isQuick) {
  // Each has one core to itself.
  await Promise.all([timed('types', types), timed('lint and format', lint)]);
  await timed('unit tests of what has changed', () =>
    step('npx', ['jest', '--onlyChanged', '--passWithNoTests']),
  );
} else {
  // What fails soonest comes first. Each part fills both cores by itself: browsers that have to share them with
  // another part take longer by more than that part takes alone.
  await Promise.all([timed('types', types), timed('build', build)]);
  await timed('lint and format', lint);
  await timed('unit tests', unit);
  await timed('end-to-end tests', endToEnd);
  await timed('benchmarks, a quick look that they run', benchmarks);
}
report();

/** Types of each part, and of the tests and scripts at the root. */
async function types() {
  const env = { ...process.env, CI: '1', EXPO_OFFLINE: '1' };
  const app = join(root, 'packages/app');
  if (!existsSync(join(app, 'expo-env.d.ts')))
    run('npx', ['expo', 'customize', 'tsconfig.json'], { cwd: app, stdio: 'ignore', env });
  const check = (part) => runTelling(`checking ${part}`, 'node', [compiler, '-p', part]);
  await Promise.all([check('packages/core'), check('packages/app')]);
  // Server, paper, tests and scripts are one program: each by itself would read the core anew.
  await check('.');
}

/** The linter takes one core, all that also reads every file the other. */
async function lint() {
  const keptIn = (name) => ['--cache', '--cache-location', `node_modules/.cache/${name}`];
  const npx = (what, ...command) => runTelling(what, 'npx', command);
  const format = ['--check', '--log-level', 'warn', ...keptIn('prettier.json')];
  const besides = async () => {
    await npx('linting by types', 'oxlint', '--type-aware', '--deny-warnings');
    await npx('checking the format', 'prettier', ...format, '.');
    await npx('looking for what nobody uses', 'knip', '--no-progress');
  };
  const linted = npx('linting', 'eslint', '.', '--max-warnings', '0', ...keptIn('eslint.json'));
  await Promise.all([linted, besides()]);
}

/** Unit tests of every part; what they say is shown when one fails. */
async function unit() {
  // Asked for here: on a machine with nothing installed, what it needs is not there when this file is read.
  const { default: coreForTests } = await import('./core-for-tests.cjs');
  process.env.CORE_FOR_TESTS = coreForTests();
  return runTelling('testing', 'npx', ['jest', '--ci', '--maxWorkers=2']);
}

/** A quick look that they run: their figures are looked at elsewhere. */
function benchmarks() {
  const some = ['coach', 'regimes', 'zerospan', 'edges', 'tuning', 'lockup'];
  return runTelling('running benchmarks', 'npx', [
    'tsx',
    'scripts/bench/index.ts',
    ...some,
    '--quick',
  ]);
}

async function endToEnd() {
  await runTelling('seeding', 'node', ['scripts/e2e-server.mjs', '8151', 'seed']);
  await runShowing('npx', ['playwright', 'test']);
}

async function step(command, args) {
  run(command, args);
}

/** Does one part, and keeps how long it took. */
async function timed(what, work) {
  tell(what);
  const began = Date.now();
  await work();
  parts.push({ what, seconds: Math.round((Date.now() - began) / 1000) });
}

/** The time of each part, on the screen and in a file, so that a slow one shows itself. */
function report() {
  const total = Math.round((Date.now() - started) / 1000);
  for (const { what, seconds } of parts) tell(`${String(seconds).padStart(4)} s  ${what}`);
  mkdirSync(join(root, 'test-results'), { recursive: true });
  writeFileSync(join(root, 'test-results/times.json'), JSON.stringify({ parts, total }, null, 2));
  tell(`all is well, in ${Math.floor(total / 60)} min ${total % 60} s`);
}

/** What the tests want of Debian, installed when this is root and it is missing. */
function ensureDebian() {
  const missing = [
    ...(process.env.CHROMIUM || hasShell() ? [] : [browserPackage]),
    // Reads the words of a PDF back.
    ...(existsSync('/usr/bin/pdftotext') ? [] : ['poppler-utils']),
  ];
  if (missing.length === 0) return;
  if (process.getuid?.() !== 0) {
    const line = `sudo apt-get install -y ${missing.join(' ')}`;
    console.error(`Missing: ${missing.join(', ')}. Run: ${line}`);
    process.exit(1);
  }
  tell(`installing ${missing.join(' and ')} from Debian`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-qq'], { env });
  run('apt-get', ['install', '-y', '-qq', ...missing], { env });
}
