import {
  digestOf,
  oneMoreWrong,
  personSchema,
  PIN_ROUNDS,
  pinDigest,
  waitAfter,
  type Person,
  type WrongTries,
} from '@holvek/core';
import { z } from 'zod';
import { Refusal } from './api';
import type { DeviceDb } from './device-db';
import { newId } from './new-id';

const KEY = 'hands';
const DAY_MS = 86_400_000;
/** Whoever has not signed in here over a network for so long has to again: as long as a session lives unused. */
const LONGEST_MS = 30 * DAY_MS;

const handSchema = z.object({
  person: personSchema,
  salt: z.string(),
  rounds: z.number(),
  digest: z.string(),
  /** When he last signed in here over a network. */
  sinceMs: z.number(),
  tries: z.object({ wrong: z.number(), lastMs: z.number() }).optional(),
});
type Hand = z.infer<typeof handSchema>;

/** What the browser reckons with; nothing where the page is not in a secure context. */
const subtleHere = () => (globalThis.crypto as { subtle?: typeof crypto.subtle }).subtle;

/**
 * Hands that this phone knows again without a network: whoever has signed in on it in the last thirty days,
 * by the same PIN. Of the PIN it keeps no more than what it is tried against.
 */
export class HandsHere {
  constructor(
    private readonly db: Promise<DeviceDb | undefined>,
    private readonly now: () => number = Date.now,
    private readonly rounds = PIN_ROUNDS,
  ) {}

  /** Whom it knows, by name. */
  async people(): Promise<readonly Person[]> {
    const hands = (await this.all()).filter((hand) => this.isFresh(hand));
    return hands.map(({ person }) => person).sort((a, b) => a.name.localeCompare(b.name));
  }

  /** Somebody has signed in here, and the server has taken his secret. */
  async remember(person: Person, secret: string): Promise<void> {
    const subtle = subtleHere();
    // A page without keys signs nothing either: it is told so elsewhere.
    if (!subtle) return;
    const cost = { salt: newId(), rounds: this.rounds };
    const digest = await pinDigest(subtle, secret, cost);
    const hand = { person, ...cost, digest, sinceMs: this.now() };
    await this.change((hands) => [...hands.filter((each) => each.person.id !== person.id), hand]);
  }

  /** What the server says of him now, his licences too; nobody becomes known by it. Whether it was anything new. */
  async renew(person: Person): Promise<boolean> {
    const hand = (await this.all()).find((each) => each.person.id === person.id);
    if (!hand || digestOf(hand.person) === digestOf(person)) return false;
    await this.changeHand(person.id, (each) => ({ ...each, person }));
    return true;
  }

  /** Whoever was signed out from elsewhere comes in again over a network alone. */
  async forget(name: string): Promise<void> {
    await this.change((hands) => hands.filter(({ person }) => person.name !== name));
  }

  /**
   * Who this is.
   *
   * @throws Refusal  person.not_known_here · person.try_later, with the seconds · person.wrong_secret
   */
  async unlock(short: string, secret: string): Promise<Person> {
    const hand = (await this.all()).find(({ person }) => person.short === short);
    const subtle = subtleHere();
    if (!subtle || !hand || !this.isFresh(hand)) throw new Refusal(401, 'person.not_known_here');
    const seconds = hand.tries ? waitAfter(hand.tries, this.now()) : 0;
    if (seconds > 0) throw new Refusal(429, 'person.try_later', { seconds });
    // Counted before it is looked at, and kept: a page that is loaded anew begins no new count.
    await this.count(hand, oneMoreWrong(hand.tries, this.now()));
    if ((await pinDigest(subtle, secret, hand)) !== hand.digest)
      throw new Refusal(401, 'person.wrong_secret');
    await this.count(hand, undefined);
    return hand.person;
  }

  private isFresh({ sinceMs }: Hand): boolean {
    const age = this.now() - sinceMs;
    // A clock that was set back opens nothing that had closed.
    return age >= 0 && age <= LONGEST_MS;
  }

  private count = (hand: Hand, tries: WrongTries | undefined): Promise<void> =>
    this.changeHand(hand.person.id, ({ tries: _, ...rest }) => ({
      ...rest,
      ...(tries && { tries }),
    }));

  private changeHand = (id: string, next: (hand: Hand) => Hand): Promise<void> =>
    this.change((hands) => hands.map((hand) => (hand.person.id === id ? next(hand) : hand)));

  private async all(): Promise<readonly Hand[]> {
    return handsIn(await (await this.db)?.get('cache', KEY));
  }

  /** Read and written as one: what another page of this phone keeps meanwhile is not taken back. */
  private async change(next: (hands: readonly Hand[]) => readonly Hand[]): Promise<void> {
    const transaction = (await this.db)?.transaction('cache', 'readwrite');
    if (!transaction) return;
    const hands = handsIn(await transaction.store.get(KEY));
    await Promise.all([transaction.store.put(next(hands), KEY), transaction.done]);
  }
}

function handsIn(kept: unknown): readonly Hand[] {
  const parsed = z.array(handSchema).safeParse(kept ?? []);
  return parsed.success ? parsed.data : [];
}
