import { join } from 'node:path';
import { build, install, root, startServer, tell } from './lib.mjs';

/**
 * Installs, builds and serves a register of one's own on one port: empty at first, and never mixed with
 * the demo, whose data is another file. HOST, PORT and DATA (the database file) may say otherwise.
 */
const port = Number(process.env.PORT ?? 8150);
const data = process.env.DATA ?? join(root, 'data/register.sqlite');
const host = process.env.HOST ?? '127.0.0.1';

await install();
await build();
tell(`starting; everything is kept in ${data} and the files beside it`);
const server = await startServer({ port, data, host, seed: false });
const scheme = host === '127.0.0.1' || process.env.TLS === 'off' ? 'http' : 'https';
tell(`open ${scheme}://localhost:${port} (Ctrl+C stops it)`);
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
