import { randomBytes } from 'node:crypto';

const GOOD_FOR_MS = 10 * 60_000;
/** More than a crew asks for in ten minutes; the oldest gives way. */
const MOST = 10_000;

/** Texts that were handed out to be signed: each is good once, and for ten minutes. */
export class Challenges {
  private readonly open = new Map<string, number>();

  constructor(private readonly now: () => number = Date.now) {}

  make(): string {
    const text = randomBytes(18).toString('base64url');
    this.open.set(text, this.now() + GOOD_FOR_MS);
    const [oldest] = this.open.keys();
    if (this.open.size > MOST && oldest !== undefined) this.open.delete(oldest);
    return text;
  }

  /** Whether this was handed out and is still good; it is not good again. */
  take(text: string): boolean {
    const until = this.open.get(text);
    this.open.delete(text);
    return until !== undefined && this.now() <= until;
  }
}
