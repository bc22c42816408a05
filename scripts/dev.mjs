import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { install, root, tell } from './lib.mjs';

/**
 * For work on Holvek itself: the server starts anew when its code changes, the page is refreshed in
 * place when the app's does. One address for both, with a Larkhollow of its own and no offline copy.
 */
const port = Number(process.env.PORT ?? 8150);
const api = port + 1;

await install();
const children = [
  begin('npx', ['tsx', 'watch', '--clear-screen=false', 'packages/server/src/main.ts'], root, {
    PORT: String(api),
    DATA: 'data/dev.sqlite',
    SEED: 'demo',
    // What makes them is a bundle that only a build has.
    BACKUPS: 'off',
  }),
  begin('npx', ['expo', 'start', '--web', '--port', String(port)], join(root, 'packages/app'), {
    EXPO_NO_TELEMETRY: '1',
    EXPO_OFFLINE: '1',
    BROWSER: 'none',
    HOLVEK_API: `http://127.0.0.1:${api}`,
  }),
];
tell(`open http://localhost:${port} once it says that it is waiting (Ctrl+C stops both)`);
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    for (const child of children) child.kill(signal);
  });

/** One of the two; when it ends, so does the other. */
function begin(command, args, cwd, env) {
  const child = spawn(command, args, { cwd, stdio: 'inherit', env: { ...process.env, ...env } });
  child.on('exit', (code) => {
    for (const other of children) if (other !== child) other.kill('SIGTERM');
    process.exitCode = code ?? 0;
  });
  return child;
}
