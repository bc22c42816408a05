import { timingSafeEqual } from 'node:crypto';
import type { Context } from 'hono';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import type { BackupKeeper } from '../backup/keeper';
import type { Store } from '../db/open';
import { Problem } from '../http/problem';
import type { RequestLine } from './diary';

const BUCKETS_S = [0.005, 0.02, 0.1, 0.5, 1, 5];

/** Figures for who watches the house from outside, in the usual text format. */
export class Metrics {
  private readonly registry = new Registry();
  private readonly requests = new Histogram({
    name: 'holvek_request_seconds',
    help: 'Requests by route and answer',
    labelNames: ['method', 'route', 'status'],
    buckets: BUCKETS_S,
    registers: [this.registry],
  });

  constructor(store: Store, keeper?: BackupKeeper) {
    collectDefaultMetrics({ register: this.registry });
    const counted = {
      valves: 'valves',
      runs: 'runs',
      events: 'entries',
      sheets: 'sheets',
    } as const;
    for (const [table, name] of Object.entries(counted))
      this.gauge(`holvek_${name}`, `Rows of ${name}`, () =>
        store.tables[table as 'valves'].count(),
      );
    this.gauge('holvek_disk_has_room', '1 where the last write found room', () =>
      Number(store.hasRoom()),
    );
    if (keeper)
      this.gauge('holvek_last_backup_seconds', 'When the last good backup was made', async () => {
        const [last] = (await keeper.state()).backups;
        return (last?.at_ms ?? 0) / 1000;
      });
  }

  seen({ method, route, status, ms }: RequestLine): void {
    this.requests.observe({ method, route, status: String(status) }, ms / 1000);
  }

  /** The text, for who knows the token. @throws Problem 404 for everybody else: there is nothing here for him */
  async tell(c: Context, token: string): Promise<Response> {
    if (!isSame(c.req.header('authorization') ?? '', `Bearer ${token}`))
      throw new Problem(404, 'request.no_such_path');
    return c.text(await this.registry.metrics(), 200, {
      'content-type': this.registry.contentType,
      'cache-control': 'no-store',
    });
  }

  private gauge(name: string, help: string, read: () => number | Promise<number>): void {
    new Gauge({
      name,
      help,
      registers: [this.registry],
      async collect() {
        this.set(await read());
      },
    });
  }
}

/** Compared in a time that does not tell how much of it was right. */
function isSame(said: string, wanted: string): boolean {
  const [a, b] = [Buffer.from(said), Buffer.from(wanted)];
  return a.length === b.length && timingSafeEqual(a, b);
}
