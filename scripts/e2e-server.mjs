import {
  copyFileSync,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { root, startServer } from './lib.mjs';

/**
 * Serves the built app on a port with a Larkhollow of its own: a copy of one that is seeded once for
 * each build. Tests of several workers so never meet each other's valves. `empty` begins with nothing at all.
 */
const port = Number(process.argv[2]);
const folder = join(root, 'test-results');
const seeded = join(folder, 'seeded.sqlite');
const stamp = join(folder, 'seeded-from');
const built = readFileSync(join(root, 'dist/.built-from'), 'utf8');

if (process.argv[3] === 'seed') await seedOnce();
else await serveCopy(process.argv[3] === 'empty');

/** The seeded database of this build, made once. */
async function seedOnce() {
  mkdirSync(folder, { recursive: true });
  // A day old is too old: its visits are counted back from when it was made.
  const wanted = `${built} ${new Date().toISOString().slice(0, 10)}`;
  if (existsSync(seeded) && existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  const fresh = join(folder, 'seeding.sqlite');
  for (const end of ['', '-wal', '-shm']) rmSync(`${fresh}${end}`, { force: true });
  const server = await startServer({ port, data: fresh, stdio: 'ignore', env: { BACKUPS: 'off' } });
  const ended = new Promise((done) => server.once('close', done));
  server.kill('SIGTERM');
  await ended;
  renameSync(fresh, seeded);
  writeFileSync(stamp, wanted);
}

async function serveCopy(isEmpty) {
  const data = join(folder, `e2e-${port}.sqlite`);
  for (const end of ['', '-wal', '-shm']) rmSync(`${data}${end}`, { force: true });
  if (!isEmpty) copyFileSync(seeded, data);
  // What the first owner of an empty register types is printed; a test has to know it beforehand.
  const env = { BACKUPS: 'off', ...(isEmpty ? { FIRST_CODE: 'LARK-HOLL-OW24' } : {}) };
  const server = await startServer({ port, data, seed: false, env });
  const stop = () => server.kill('SIGTERM');
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}
