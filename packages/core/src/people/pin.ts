import { bytesToHex } from '@noble/hashes/utils.js';

type Subtle = typeof globalThis.crypto.subtle;

/** How a secret is stretched: 16 bytes of chance, and how many rounds. */
export type PinCost = { readonly salt: string; readonly rounds: number };

/** What a try costs a phone: a fraction of a second. */
export const PIN_ROUNDS = 600_000;

/**
 * What a phone keeps of a secret, to know it again without a network: PBKDF2 (RFC 8018) with SHA-256. The
 * secret cannot be told from it but by trying.
 *
 * @param cost  a salt of the phone's own making, new for each secret
 * @returns 64 hex digits
 */
export async function pinDigest(subtle: Subtle, secret: string, cost: PinCost): Promise<string> {
  const bytes = (text: string) => new TextEncoder().encode(text);
  const typed = bytes(secret.normalize('NFKC'));
  const key = await subtle.importKey('raw', typed, 'PBKDF2', false, ['deriveBits']);
  const { salt, rounds: iterations } = cost;
  const how = { name: 'PBKDF2', hash: 'SHA-256', salt: bytes(salt), iterations };
  return bytesToHex(new Uint8Array(await subtle.deriveBits(how, key, 256)));
}

const FREE = 5;
const FIRST_WAIT_MS = 30_000;
const LONGEST_WAIT_MS = 15 * 60_000;

/** Wrong tries at one door: how many, and when the last was made. */
export type WrongTries = { readonly wrong: number; readonly lastMs: number };

/**
 * How long until the next try counts: five wrong ones are free, then each costs twice the wait of the one
 * before, up to a quarter of an hour.
 *
 * @returns s, ≥ 0, rounded up
 * @example waitAfter({ wrong: 6, lastMs: 0 }, 10_000) // → 50
 */
export function waitAfter({ wrong, lastMs }: WrongTries, nowMs: number): number {
  if (wrong < FREE) return 0;
  const wait = Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** (wrong - FREE));
  return Math.max(0, Math.ceil((lastMs + wait - nowMs) / 1000));
}

/** Tries with one more that was wrong; an hour after the last one they begin anew. */
export function oneMoreWrong(before: WrongTries | undefined, nowMs: number): WrongTries {
  const isLongAgo = before !== undefined && nowMs - before.lastMs > 4 * LONGEST_WAIT_MS;
  return { wrong: (isLongAgo ? 0 : (before?.wrong ?? 0)) + 1, lastMs: nowMs };
}
