import { OpenAPIHono } from '@hono/zod-openapi';
import type { ErrorHandler } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { compress } from 'hono/compress';
import { HTTPException } from 'hono/http-exception';
import { requestId } from 'hono/request-id';
import { secureHeaders } from 'hono/secure-headers';
import type { BackupKeeper } from './backup/keeper';
import { deviceSocket } from './device/socket';
import type { Store } from './db/open';
import { isDiskFull } from './db/writer';
import { knowAddress } from './http/address';
import { pace } from './http/pace';
import { plainBody } from './http/plain-body';
import { plainPath } from './http/plain-path';
import { Problem, problemBody } from './http/problem';
import { sameHouse } from './http/same-house';
import { Challenges } from './people/challenges';
import { gate } from './people/gate';
import { Doorkeeper } from './people/sessions';
import { Tries } from './people/tries';
import { archiveRoutes, type Archiver } from './routes/archive';
import type { LarkhollowBeside } from './larkhollow/beside';
import { larkhollowRoutes } from './routes/larkhollow';
import { backupRoutes } from './routes/backups';
import { countersignRoutes } from './routes/countersigns';
import { documentRoutes } from './routes/documents';
import { evidenceRoutes } from './routes/evidence';
import { historyRoutes } from './routes/history';
import { peopleRoutes, sessionRoutes, tryingWith } from './routes/people';
import { photoRoutes } from './routes/photos';
import { repairRoutes } from './routes/repairs';
import { noticeRoutes } from './routes/notices';
import { clientLinkRoutes } from './routes/client-links';
import { feedRoutes } from './routes/feeds';
import { seasonRoutes } from './routes/seasons';
import { runRoutes } from './routes/runs';
import { settingRoutes } from './routes/settings';
import { sheetRoutes } from './routes/sheets';
import { valveRoutes } from './routes/valves';
import type { Diary } from './watch/diary';
import { Metrics } from './watch/metrics';
import { watch } from './watch/watch';

type Identified = { Variables: { requestId: string } };

const LARGEST_BODY = 4 * 1024 * 1024;

/** Where `npm run bridge` listens on the machine of the page, where nothing else is said to it. */
const BRIDGES_HERE = ['ws://localhost:8145', 'ws://127.0.0.1:8145'];

/** @param bridges  to gauges on other machines, that pages may reach besides */
const securityHeaders = (bridges: readonly string[]) =>
  secureHeaders({
    contentSecurityPolicy: {
      defaultSrc: ["'self'"],
      styleSrc: ["'self'", "'unsafe-inline'"],
      imgSrc: ["'self'", 'data:', 'blob:'],
      fontSrc: ["'self'", 'data:'],
      workerSrc: ["'self'", 'blob:'],
      connectSrc: ["'self'", ...BRIDGES_HERE, ...bridges],
      frameAncestors: ["'none'"],
      baseUri: ["'self'"],
      formAction: ["'self'"],
      objectSrc: ["'none'"],
    },
  });

/** What is said of an error: a refusal as it is, a full disk as such, anything else as our own fault. */
const saidBy =
  (log: ((error: unknown, id?: string) => void) | undefined): ErrorHandler<Identified> =>
  (error, c) => {
    if (error instanceof Problem) return c.json(problemBody(error), error.status);
    if (error instanceof HTTPException)
      return c.json(
        problemBody({ code: 'request.unreadable', detail: error.message }),
        error.status,
      );
    log?.(error, c.get('requestId'));
    if (isDiskFull(error)) return c.json(problemBody({ code: 'storage.full' }), 507);
    return c.json(problemBody({ code: 'server.fault' }), 500);
  };

export type AppOptions = {
  readonly fontFolder: string;
  readonly log?: (error: unknown, requestId?: string) => void;
  /** Names by which it may be called; any, where it is not said. */
  readonly hosts?: readonly string[];
  /** Addresses of the proxies before it: what they say of who asks is believed. */
  readonly proxies?: readonly string[];
  /** How many requests one address may send a minute; any number, where it is not said. */
  readonly requestsAMinute?: number;
  /** What the first owner has to know; without it nobody becomes one. */
  readonly firstCode?: string;
  /** Its own authority, PEM, for phones to trust. */
  readonly authority?: string;
  /** Who makes its backups; nobody, where it makes none. */
  readonly keeper?: BackupKeeper;
  /** Makes the archive of the house; nobody, where it makes none. */
  readonly archive?: Archiver;
  /** A demo beside it; nobody's, where it offers none. */
  readonly larkhollow?: Pick<LarkhollowBeside, 'open'>;
  /** Where it is a demo beside a house, the port of that house. */
  readonly homePort?: number;
  /** What it writes down of requests. */
  readonly diary?: Pick<Diary, 'request'>;
  /** Who knows it may read the figures of the house; nobody, where it is not said. */
  readonly metricsToken?: string;
  /** Bridges to gauges on other machines, that pages may reach: `wss://name:8145`. */
  readonly bridges?: readonly string[];
};

/** What stands behind /api, each resource with its routes. */
function apiOf(store: Store, doorkeeper: Doorkeeper, options: AppOptions) {
  const { firstCode } = options;
  const people = {
    doorkeeper,
    tried: tryingWith(new Tries()),
    challenges: new Challenges(),
    told: {
      ...(options.larkhollow ? { has_larkhollow: true } : {}),
      ...(options.homePort === undefined ? {} : { home_port: options.homePort }),
    },
    ...(firstCode === undefined ? {} : { firstCode }),
  };
  const api = new OpenAPIHono()
    .route('/', sessionRoutes(store, people))
    .route('/', peopleRoutes(store, people))
    .route('/', settingRoutes(store))
    .route('/', documentRoutes(store))
    .route('/', seasonRoutes(store))
    .route('/', feedRoutes(store))
    .route('/', clientLinkRoutes(store, options.fontFolder))
    .route('/', noticeRoutes(store))
    .route('/', valveRoutes(store))
    .route('/', repairRoutes(store))
    .route('/', photoRoutes(store))
    .route('/', backupRoutes(options.keeper))
    .route('/', archiveRoutes(options.archive))
    .route('/', larkhollowRoutes(store, options.larkhollow))
    .route('/', historyRoutes(store))
    .route('/', runRoutes(store))
    .route('/', evidenceRoutes(store))
    .route('/', countersignRoutes(store))
    .route('/', sheetRoutes(store, options.fontFolder));
  api.doc('/openapi.json', {
    openapi: '3.0.3',
    info: { title: 'Holvek', version: '1' },
    servers: [{ url: '/api' }],
  });
  api.notFound((c) => c.json(problemBody({ code: 'request.no_such_path' }), 404));
  return api;
}

/** The whole API over a store; static files and the port are the caller's affair. */
export function createApp(store: Store, options: AppOptions) {
  const doorkeeper = new Doorkeeper(store);
  const api = apiOf(store, doorkeeper, options);
  const app = new OpenAPIHono<Identified>();
  const { diary, metricsToken } = options;
  const metrics = metricsToken === undefined ? undefined : new Metrics(store, options.keeper);
  app.use(requestId());
  app.use(
    watch((line) => {
      diary?.request(line);
      metrics?.seen(line);
    }),
  );
  app.use(knowAddress(options.proxies ?? []));
  if (options.hosts) app.use(sameHouse(options.hosts));
  if (options.requestsAMinute !== undefined) app.use('/api/*', pace(options.requestsAMinute));
  app.get('/api/device', gate(doorkeeper), deviceSocket());
  // What is asked for is worth packing; the short answers to what is sent are not.
  app.on('GET', '*', compress());
  app.use(securityHeaders(options.bridges ?? []));
  app.use('/api/*', async (c, next) => {
    await next();
    // A file that never changes says so itself.
    if (!c.res.headers.has('cache-control')) c.header('cache-control', 'no-store');
  });
  app.use(
    '/api/*',
    bodyLimit({
      maxSize: LARGEST_BODY,
      onError: (c) => c.json(problemBody({ code: 'request.too_large' }), 413),
    }),
  );
  app.use('/api/*', plainPath(), gate(doorkeeper), plainBody());
  app.onError(saidBy(options.log));
  if (metrics && metricsToken !== undefined)
    app.get('/metrics', (c) => metrics.tell(c, metricsToken));
  const { authority } = options;
  if (authority !== undefined)
    app.get('/authority.crt', (c) =>
      c.body(authority, 200, {
        'content-type': 'application/x-x509-ca-cert',
        'content-disposition': 'attachment; filename="holvek-authority.crt"',
      }),
    );
  const routed = app.route('/api', api);
  app.all('/api/*', (c) => c.json(problemBody({ code: 'request.no_such_path' }), 404));
  return routed;
}
export type App = ReturnType<typeof createApp>;
