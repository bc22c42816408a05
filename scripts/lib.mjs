import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import http from 'node:http';
import https from 'node:https';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = resolve(dirname(fileURLToPath(import.meta.url)), '..');
const started = Date.now();

/** One line of progress, with the time since the command began. */
export const tell = (line) =>
  console.log(`[${String(Math.round((Date.now() - started) / 1000)).padStart(3)} s] ${line}`);

/** What is at work now: when one thing fails, nothing is left running behind it. */
const atWork = new Set();
process.on('exit', () => {
  for (const child of atWork) child.kill('SIGTERM');
});

function spawned(command, args, options) {
  const child = spawn(command, args, { cwd: root, ...options });
  atWork.add(child);
  child.on('close', () => atWork.delete(child));
  return child;
}

function giveUp(what, code) {
  tell(`${what} failed`);
  process.exit(code ?? 1);
}

/** Runs a command in the repository; its output is shown, and a failure ends everything. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (result.status !== 0) {
    tell(`${command} ${args.join(' ')} failed`);
    process.exit(result.status ?? 1);
  }
}

/** The same beside other work: what it says is shown as it comes. */
export function runShowing(command, args) {
  return new Promise((done) => {
    const child = spawned(command, args, { stdio: 'inherit' });
    child.on('close', (code) => (code === 0 ? done() : giveUp([command, ...args].join(' '), code)));
  });
}

/** Runs a command quietly, saying every few seconds that it is still at work. */
export function runTelling(what, command, args, options = {}) {
  return new Promise((done) => {
    const child = spawned(command, args, { stdio: ['ignore', 'pipe', 'pipe'], ...options });
    const output = [];
    child.stdout.on('data', (chunk) => output.push(chunk));
    child.stderr.on('data', (chunk) => output.push(chunk));
    const timer = setInterval(() => tell(`  still ${what}`), 15_000);
    child.on('close', (code) => {
      clearInterval(timer);
      if (code === 0) return done();
      process.stdout.write(Buffer.concat(output));
      giveUp(what, code);
    });
  });
}

/** Installs what the lock file names, once for each version of it. */
export async function install() {
  const lock = readFileSync(join(root, 'package-lock.json'));
  const wanted = createHash('sha256').update(lock).digest('hex');
  const stamp = join(root, 'node_modules/.holvek-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  tell('installing packages (a few minutes on a fresh machine)');
  await runTelling('installing', 'npm', ['ci', '--no-audit', '--no-fund']);
  writeFileSync(stamp, wanted);
}

/** Builds app and server into dist/ when their sources have changed since the last build. */
export async function build() {
  const wanted = hashOf([
    'packages/core',
    'packages/paper',
    'packages/app',
    'packages/server',
    'package-lock.json',
    'scripts',
  ]);
  const stamp = join(root, 'dist/.built-from');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  tell('building the app');
  const env = {
    ...process.env,
    EXPO_OFFLINE: '1',
    EXPO_NO_TELEMETRY: '1',
    CI: '1',
    NODE_ENV: 'production',
  };
  await runTelling(
    'building',
    'npx',
    ['expo', 'export', '-p', 'web', '--output-dir', '../../dist/app'],
    {
      cwd: join(root, 'packages/app'),
      env,
    },
  );
  tell('building the offline copy');
  await offlineCopy();
  tell('building the server');
  await bundleServer();
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, wanted);
}

async function offlineCopy() {
  const { generateSW } = await import('workbox-build');
  await generateSW({
    globDirectory: join(root, 'dist/app'),
    globPatterns: ['**/*.{html,js,css,ttf,png,ico,svg,json,webmanifest}'],
    globIgnores: ['metadata.json'],
    swDest: join(root, 'dist/app/sw.js'),
    maximumFileSizeToCacheInBytes: 8_000_000,
    inlineWorkboxRuntime: true,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//],
    // The page says when: never while a run is open.
    skipWaiting: false,
    clientsClaim: true,
    sourcemap: false,
  });
}

async function bundleServer() {
  const { build: bundle } = await import('esbuild');
  await bundle({
    entryPoints: {
      server: join(root, 'packages/server/src/main.ts'),
      backup: join(root, 'packages/server/src/backup/main.ts'),
      archive: join(root, 'packages/server/src/archive/main.ts'),
    },
    outdir: join(root, 'dist'),
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    external: [
      'sqlite3',
      'sequelize',
      'pdfkit',
      'umzug',
      'ws',
      'selfsigned',
      'qrcode',
      'ics',
      'sharp',
      'pino',
      'prom-client',
      'yazl',
    ],
    logLevel: 'warning',
  });
}

/** Hash of all sources under some places, by path and content. */
function hashOf(places) {
  const hash = createHash('sha256');
  const visit = (path) => {
    const stat = statSync(path);
    if (stat.isDirectory()) {
      for (const name of readdirSync(path).sort())
        if (!['node_modules', 'dist', '.expo', 'bench'].includes(name) && !name.includes('.test.'))
          visit(join(path, name));
    } else hash.update(path.slice(root.length)).update(readFileSync(path));
  };
  for (const place of places) visit(join(root, place));
  return hash.digest('hex');
}

/** Starts the built server and waits until it answers; returns its process. */
export async function startServer({
  port,
  data,
  seed = true,
  host = '127.0.0.1',
  stdio = 'inherit',
  env = {},
}) {
  const child = spawn(process.execPath, ['dist/server.mjs'], {
    cwd: root,
    stdio,
    env: {
      ...process.env,
      ...env,
      NODE_ENV: 'production',
      HOST: host,
      PORT: String(port),
      DATA: data,
      APP: 'dist/app',
      FONTS: 'node_modules/@expo-google-fonts',
      ...(seed ? { SEED: 'demo' } : {}),
    },
  });
  // Where other machines reach it, it speaks TLS by an authority of its own.
  const isOpen = !['127.0.0.1', 'localhost', '::1'].includes(host) && process.env.TLS !== 'off';
  for (let i = 0; i < 300; i++) {
    if (child.exitCode !== null) throw new Error('the server ended before it was ready');
    try {
      if (await answers(`${isOpen ? 'https' : 'http'}://127.0.0.1:${port}/api/health`))
        return child;
    } catch {
      // Not listening yet.
    }
    await new Promise((next) => setTimeout(next, 200));
  }
  throw new Error('the server did not answer within a minute');
}

/** Whether a server of our own says that it is well; whose certificate it is does not matter here. */
const answers = (url) =>
  new Promise((done, failed) => {
    const { get } = url.startsWith('https') ? https : http;
    get(url, { rejectUnauthorized: false }, (answer) => {
      answer.resume();
      done(answer.statusCode === 200);
    }).on('error', failed);
  });
