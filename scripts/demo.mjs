import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { build, install, root, startServer, tell } from './lib.mjs';

/** Installs, builds, seeds and serves the demo on one port. `-- --fresh` begins with a new Larkhollow. */
const port = Number(process.env.PORT ?? 8140);
const data = join(root, 'data/holvek.sqlite');

await install();
await build();
if (process.argv.includes('--fresh')) {
  tell('clearing the data');
  for (const ending of ['', '-wal', '-shm']) rmSync(data + ending, { force: true });
}
tell('starting (a new Larkhollow is seeded when there is no data yet)');
const host = process.env.HOST ?? '127.0.0.1';
const server = await startServer({ port, data, host });
const scheme = host === '127.0.0.1' || process.env.TLS === 'off' ? 'http' : 'https';
tell(`open ${scheme}://localhost:${port} (Ctrl+C stops it; the data stays in data/)`);
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
