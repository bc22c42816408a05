import { serve } from '@hono/node-server';
import { mkdirSync } from 'node:fs';
import { createServer } from 'node:https';
import { dirname } from 'node:path';
import { WebSocketServer } from 'ws';
import { createApp } from './app';
import { archiveApart } from './archive/apart';
import { takeApart } from './backup/apart';
import { backupBeforeMigration } from './backup/before-migration';
import { BackupKeeper } from './backup/keeper';
import { backupFolderOf } from './backup/take';
import { AlreadyServed, holdAlone } from './db/one-server';
import { NewerDatabase, openStore, type Store } from './db/open';
import { LONGEST_TEXT } from './device/stand-in';
import { bridgesIn } from './http/bridges';
import { invitation } from './http/invitation';
import { ownNames } from './http/own-names';
import { REQUESTS_A_MINUTE } from './http/pace';
import { credentialsFor, isLoopback } from './http/tls';
import { LarkhollowBeside } from './larkhollow/beside';
import { firstCodeOf } from './people/first-code';
import { concludeWaiting } from './ingest/conclude-waiting';
import { seedPeople } from './seed/people';
import { seedFile } from './seed/seed-file';
import { logOldCountersigns, logOldSheets } from './sheet/log';
import { serveApp } from './static';
import { openDiary, type Diary } from './watch/diary';

type ServeOptions = Parameters<typeof serve>[0];

/** ms. A line that a phone or a proxy keeps is let go of later than they do: none is asked on just as it is shut. */
const LINES = { keepAliveTimeout: 55_000 };

/** What the environment says, and what holds where it says nothing. */
function settings() {
  const { env } = process;
  const { DATA = 'data/holvek.sqlite' } = env;
  return {
    HOST: '127.0.0.1',
    PORT: '8140',
    APP: 'dist/app',
    FONTS: 'node_modules/@expo-google-fonts',
    BACKUPS: backupFolderOf(DATA),
    ...env,
    DATA,
  };
}

/**
 * Starts the server: HOST, PORT, DATA (database file), APP (exported app), FONTS, SEED=demo,
 * ALLOWED_HOSTS (names, by commas), RATE_LIMIT (requests a minute from one address), FIRST_CODE (what the
 * first owner types; made and printed where it is not said), BACKUPS (their folder; `off` where somebody else
 * makes them), LOG (`all` requests, not only what failed or was slow), METRICS_TOKEN (who sends it may read /metrics), TRUSTED_PROXIES
 * (addresses, by commas, of what stands before it), LARKHOLLOW=off where no demo is offered beside it (HOME_PORT is
 * what that demo is told), BRIDGES (addresses, by commas, of bridges to gauges on other machines).
 * Where other machines reach it, it speaks TLS: with TLS_CERT and
 * TLS_KEY (files), else with a certificate of its own; TLS=off where something before it does.
 */
async function main() {
  const { HOST, PORT, DATA, APP, FONTS, BACKUPS } = settings();
  const { SEED, FIRST_CODE, RATE_LIMIT, ALLOWED_HOSTS, TLS, TLS_CERT, TLS_KEY } = process.env;
  const { LOG, METRICS_TOKEN, TRUSTED_PROXIES = '' } = process.env;
  const diary = openDiary(LOG === 'all');
  mkdirSync(dirname(DATA), { recursive: true, mode: 0o700 });
  await holdAlone(DATA);
  if (SEED === 'demo')
    await seedFile(DATA, { now: Date.now(), tell: (line) => console.log(`  ${line}`) });
  const keeper = BACKUPS === 'off' ? undefined : await keeperOf(DATA, BACKUPS, diary);
  const store = await openStore(DATA, diary.slowQuery);
  if (SEED === 'demo') await seedPeople(store);
  await catchUp(store, diary);
  const names = ownNames(HOST, ALLOWED_HOSTS);
  const firstCode = await firstCodeOf(store, FIRST_CODE);
  const credentials =
    isLoopback(HOST) || TLS === 'off'
      ? undefined
      : await credentialsFor(DATA, names, { cert: TLS_CERT, key: TLS_KEY });
  const app = createApp(store, {
    fontFolder: FONTS,
    log: (error, id) => diary.fault(error, { id }),
    diary,
    ...(METRICS_TOKEN === undefined ? {} : { metricsToken: METRICS_TOKEN }),
    hosts: names,
    proxies: TRUSTED_PROXIES.split(',').filter((name) => name.trim() !== ''),
    requestsAMinute: Number(RATE_LIMIT) || REQUESTS_A_MINUTE,
    ...firstCode,
    bridges: bridgesIn(process.env.BRIDGES),
    archive: archiveApart(DATA, FONTS),
    ...demoOf(DATA, HOST, Number(PORT)),
    ...(keeper ? { keeper } : {}),
    ...(credentials?.authority ? { authority: credentials.authority } : {}),
  });
  serveApp(app, APP);
  keeper?.start();
  const sockets = new WebSocketServer({ noServer: true, maxPayload: LONGEST_TEXT });
  // Both packages' types describe the same server in other words.
  const websocket = { server: sockets } as unknown as ServeOptions['websocket'] & object;
  const tls = credentials
    ? { createServer, serverOptions: { ...LINES, cert: credentials.cert, key: credentials.key } }
    : { serverOptions: LINES };
  const scheme = credentials ? 'https' : 'http';
  const server = serve(
    { fetch: app.fetch, hostname: HOST, port: Number(PORT), websocket, ...tls },
    () => {
      const host = HOST === '0.0.0.0' ? 'localhost' : HOST;
      console.log(`Holvek is ready at ${scheme}://${host}:${PORT}`);
      if (firstCode.firstCode !== undefined)
        console.log(
          `Nobody belongs here yet. The first owner signs in with ${firstCode.firstCode}`,
        );
      if (credentials?.authority) void invitation(names, PORT).then((text) => console.log(text));
    },
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

/** A demo whose house has ended, however it did, holds neither port nor database any longer. */
function endWithParent(): void {
  const parent = process.ppid;
  setInterval(() => {
    if (process.ppid !== parent) process.exit(0);
  }, LOOK_FOR_PARENT_MS).unref();
}
const LOOK_FOR_PARENT_MS = 2000;

/** The Larkhollow beside a house, which ends with it; a demo has none, and knows from where one came. */
function demoOf(file: string, host: string, port: number) {
  const { LARKHOLLOW, HOME_PORT, SEED, TRUSTED_PROXIES } = process.env;
  if (HOME_PORT !== undefined) {
    endWithParent();
    return { homePort: Number(HOME_PORT) };
  }
  // Behind a proxy nobody reaches another port.
  if (LARKHOLLOW === 'off' || SEED === 'demo' || TRUSTED_PROXIES) return {};
  const larkhollow = new LarkhollowBeside({ file, host, port, env: process.env });
  process.once('exit', () => larkhollow.close());
  return { larkhollow };
}

/** Who makes its backups from now on; the first is made before its shape changes. */
async function keeperOf(file: string, folder: string, diary: Diary): Promise<BackupKeeper> {
  const before = await backupBeforeMigration(file, folder, Date.now());
  if (before !== undefined) console.log(`  kept as it was before: ${before}`);
  return new BackupKeeper({ file, folder, take: takeApart, log: (error) => diary.fault(error) });
}

/** What an older version of this house has left to do. */
async function catchUp(store: Store, diary: Diary): Promise<void> {
  const entered = await logOldSheets(store);
  if (entered > 0) console.log(`  ${entered} sheets of before were entered into the log`);
  const said = await logOldCountersigns(store);
  if (said > 0) console.log(`  ${said} countersignatures of before were entered into the log`);
  const filed = await concludeWaiting(store, (error) => diary.fault(error));
  if (filed > 0) console.log(`  ${filed} sheets that were signed before were filed now`);
}

main().catch((error: unknown) => {
  const isSaid = error instanceof NewerDatabase || error instanceof AlreadyServed;
  console.error(isSaid ? error.message : error);
  process.exit(1);
});
