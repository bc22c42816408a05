import { upgradeWebSocket } from '@hono/node-server';
import { addressOf } from '../http/address';
import { StandIn } from './stand-in';

const TICK_MS = 500;
/** Lines that are open at once, in all and from one address, and what is heard on one in a second. */
const MOST_LINES = 32;
const MOST_OF_ONE = 6;
const MOST_A_SECOND = 60;
/** A stand-in that nobody has spoken to for so long sleeps until somebody does. */
const SLEEPS_AFTER_MS = 15 * 60_000;
/** Close codes of RFC 6455: it broke the rules; try again later. */
const AGAINST_THE_RULES = 1008;
const TRY_LATER = 1013;

/** Counts what is open, by address. */
export class Lines {
  private readonly open = new Map<string, number>();

  /** Whether one more may be opened from an address; it counts from then on. */
  take(address: string): boolean {
    const own = this.open.get(address) ?? 0;
    const all = [...this.open.values()].reduce((sum, each) => sum + each, 0);
    if (own >= MOST_OF_ONE || all >= MOST_LINES) return false;
    this.open.set(address, own + 1);
    return true;
  }

  give(address: string): void {
    const left = (this.open.get(address) ?? 1) - 1;
    if (left > 0) this.open.set(address, left);
    else this.open.delete(address);
  }
}

/** Counts what is heard in the second that runs. */
export class Pace {
  private second = 0;
  private heard = 0;

  /** Whether one more line at this time is not too many. */
  allows(nowMs: number): boolean {
    const second = Math.floor(nowMs / 1000);
    if (second !== this.second) {
      this.second = second;
      this.heard = 0;
    }
    this.heard += 1;
    return this.heard <= MOST_A_SECOND;
  }
}

/** A stand-in for each connection, alive as long as somebody listens and speaks. */
export const deviceSocket = () => {
  const lines = new Lines();
  return upgradeWebSocket((c) => {
    const address = addressOf(c);
    const pace = new Pace();
    let timer: ReturnType<typeof setInterval> | undefined;
    let device: StandIn | undefined;
    let isCounted = false;
    let last = performance.now();
    let heardAt = last;
    const tick = () => {
      const now = performance.now();
      if (now - heardAt < SLEEPS_AFTER_MS) device?.tick((now - last) / 1000);
      last = now;
    };
    const end = () => {
      clearInterval(timer);
      device = undefined;
      if (isCounted) lines.give(address);
      isCounted = false;
    };
    return {
      onOpen: (_, socket) => {
        isCounted = lines.take(address);
        if (!isCounted) return socket.close(TRY_LATER, 'too many lines are open');
        device = new StandIn((text) => socket.send(text));
        timer = setInterval(tick, TICK_MS);
      },
      onMessage: ({ data }, socket) => {
        heardAt = performance.now();
        if (!pace.allows(heardAt)) return socket.close(AGAINST_THE_RULES, 'too much at once');
        if (typeof data === 'string') device?.hear(data);
      },
      onClose: end,
      onError: end,
    };
  });
};
