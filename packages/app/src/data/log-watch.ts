import { EMPTY_HEAD, headSchema, logFaults, type Head, type LogFault } from '@holvek/core';
import { Refusal, Unreachable, type Api } from './api';
import type { DeviceDb } from './device-db';

const HEAD = 'log-head';

/** What this device has seen of the log, and what is wrong with what it is shown now. */
export type LogWatchState = { readonly head: Head; readonly fault: LogFault | undefined };

/**
 * Keeps the head of the server’s log, and looks each time whether the log still goes on from it: a
 * server that has lost or changed what it once showed is told of loudly, and what was kept stays.
 */
export class LogWatch {
  private state: LogWatchState = { head: EMPTY_HEAD, fault: undefined };
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly db: Promise<DeviceDb>,
    private readonly server: Pick<Api, 'log'>,
  ) {}

  snapshot = (): LogWatchState => this.state;
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Asks the server for its log from what was seen last; without a network nothing is said. */
  look = async (): Promise<void> => {
    const head = await this.kept();
    try {
      // The line that was seen last comes again: it must be the same.
      const { lines } = await this.server.log(Math.max(0, head.seq - 1));
      const [first, ...rest] = lines;
      if (head.seq > 0 && !first) return this.change({ head, fault: lost(head) });
      if (head.seq > 0 && first!.hash !== head.hash)
        return this.change({ head, fault: { code: 'log.head_changed', seq: head.seq } });
      const fault = head.seq > 0 ? logFaults(rest, head)[0] : logFaults(lines)[0];
      const last = lines.at(-1);
      if (fault || !last) return this.change({ head, fault });
      const next = { seq: last.seq, hash: last.hash };
      await (await this.db).put('cache', next, HEAD);
      this.change({ head: next, fault: undefined });
    } catch (error) {
      if (!(error instanceof Refusal) && !(error instanceof Unreachable)) throw error;
    }
  };

  /** It is another server, and meant to be: what was seen of the one before is let go of. */
  beginAnew = async (): Promise<void> => {
    await (await this.db).delete('cache', HEAD);
    await this.look();
  };

  private async kept(): Promise<Head> {
    const parsed = headSchema.safeParse(await (await this.db).get('cache', HEAD));
    return parsed.success ? parsed.data : EMPTY_HEAD;
  }

  private change(state: LogWatchState): void {
    this.state = state;
    for (const listener of this.listeners) listener();
  }
}

const lost = ({ seq }: Head): LogFault => ({ code: 'log.head_lost', seq });
