import { oneMoreWrong, waitAfter, type WrongTries } from '@holvek/core';

/** Names that are remembered; beyond it the one that was tried longest ago is let go. */
const MOST = 10_000;

/** Wrong tries at one door, whoever tries. */
export class Tries {
  private readonly tried = new Map<string, WrongTries>();

  constructor(private readonly now: () => number = Date.now) {}

  /** Seconds until the next try may be made; 0 when it may. */
  waitOf(name: string): number {
    const tried = this.tried.get(name);
    return tried ? waitAfter(tried, this.now()) : 0;
  }

  wrong(name: string): void {
    const next = oneMoreWrong(this.tried.get(name), this.now());
    this.tried.delete(name);
    this.tried.set(name, next);
    const [oldest] = this.tried.keys();
    if (this.tried.size > MOST && oldest !== undefined) this.tried.delete(oldest);
  }

  right(name: string): void {
    this.tried.delete(name);
  }
}
