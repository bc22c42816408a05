import { serve } from '@hono/node-server';
import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { WebSocketServer } from 'ws';
import { createApp } from './app';
import { AlreadyServed, holdAlone } from './db/one-server';
import { NewerDatabase, openStore } from './db/open';
import { LONGEST_TEXT } from './device/stand-in';
import { ownNames } from './http/own-names';
import { seedFile } from './seed/seed-file';
import { logOldSheets } from './sheet/log';
import { serveApp } from './static';

type ServeOptions = Parameters<typeof serve>[0];

/** Starts the server: HOST, PORT, DATA (database file), APP (exported app), FONTS, SEED=demo, ALLOWED_HOSTS (names, by commas). */
async function main() {
  const {
    HOST = '127.0.0.1',
    PORT = '8140',
    DATA = 'data/holvek.sqlite',
    APP = 'dist/app',
    FONTS = 'node_modules/@expo-google-fonts',
    SEED,
    ALLOWED_HOSTS,
  } = process.env;
  mkdirSync(dirname(DATA), { recursive: true, mode: 0o700 });
  await holdAlone(DATA);
  if (SEED === 'demo')
    await seedFile(DATA, { now: Date.now(), tell: (line) => console.log(`  ${line}`) });
  const store = await openStore(DATA);
  const entered = await logOldSheets(store);
  if (entered > 0) console.log(`  ${entered} sheets of before were entered into the log`);
  const app = createApp(store, {
    fontFolder: FONTS,
    log: (error) => console.error(error),
    hosts: ownNames(HOST, ALLOWED_HOSTS),
  });
  serveApp(app, APP);
  const sockets = new WebSocketServer({ noServer: true, maxPayload: LONGEST_TEXT });
  // Both packages' types describe the same server in other words.
  const websocket = { server: sockets } as unknown as ServeOptions['websocket'] & object;
  const server = serve({ fetch: app.fetch, hostname: HOST, port: Number(PORT), websocket }, () =>
    console.log(`Holvek is ready at http://${HOST === '0.0.0.0' ? 'localhost' : HOST}:${PORT}`),
  );
  server.on('error', (error) => {
    console.error(`Holvek could not listen on port ${PORT}: ${error.message}`);
    process.exit(1);
  });
  const stop = () => {
    for (const socket of sockets.clients) socket.terminate();
    server.close(() => void store.close().then(() => process.exit(0)));
    setTimeout(() => process.exit(0), 3000).unref();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

main().catch((error: unknown) => {
  const isSaid = error instanceof NewerDatabase || error instanceof AlreadyServed;
  console.error(isSaid ? error.message : error);
  process.exit(1);
});
