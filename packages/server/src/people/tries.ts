const FREE = 5;
const FIRST_WAIT_MS = 30_000;
const LONGEST_WAIT_MS = 15 * 60_000;
/** Names that are remembered; beyond it the one that was tried longest ago is let go. */
const MOST = 10_000;

type Tried = { readonly wrong: number; readonly lastMs: number };

/**
 * Wrong tries at one door: five are free, then each costs twice the wait of the one before, up to a
 * quarter of an hour, whoever tries. An hour after the last one it begins anew.
 */
export class Tries {
  private readonly tried = new Map<string, Tried>();

  constructor(private readonly now: () => number = Date.now) {}

  /** Seconds until the next try may be made; 0 when it may. */
  waitOf(name: string): number {
    const tried = this.tried.get(name);
    if (!tried || tried.wrong < FREE) return 0;
    const wait = Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** (tried.wrong - FREE));
    return Math.max(0, Math.ceil((tried.lastMs + wait - this.now()) / 1000));
  }

  wrong(name: string): void {
    const before = this.tried.get(name);
    const isLongAgo = before && this.now() - before.lastMs > 4 * LONGEST_WAIT_MS;
    const wrong = (isLongAgo ? 0 : (before?.wrong ?? 0)) + 1;
    this.tried.delete(name);
    this.tried.set(name, { wrong, lastMs: this.now() });
    const [oldest] = this.tried.keys();
    if (this.tried.size > MOST && oldest !== undefined) this.tried.delete(oldest);
  }

  right(name: string): void {
    this.tried.delete(name);
  }
}
