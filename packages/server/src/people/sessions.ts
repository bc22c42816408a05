import {
  keyNameOf,
  personSchema,
  type Person,
  type PlaceOfSession,
  type PublicKey,
} from '@holvek/core';
import { createHash, randomBytes } from 'node:crypto';
import type { Store } from '../db/open';
import type { Tables } from '../db/tables';

const DAY_MS = 86_400_000;
/** A phone that is not used for so long has to be signed in again. */
const IDLE_MS = 30 * DAY_MS;
const LONGEST_MS = 180 * DAY_MS;
/** How exactly it is known when somebody was here last. */
const SEEN_EVERY_MS = 10 * 60_000;

export type SignedIn = {
  readonly person: Person;
  readonly session: string;
  /** The phone that he signed in on, and the name of its key. */
  readonly device: string;
  readonly key: string | null;
};
export type Place = {
  readonly device: string;
  readonly called: string;
  readonly key?: PublicKey | undefined;
};

/** What nobody guesses: told once, and kept by whoever it is told to alone. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** Only this is kept of a token: who reads the database cannot come in with it. */
export const idOfToken = (token: string): string =>
  createHash('sha256').update(token).digest('hex');

/** Opens a session; its token is told once and kept by the phone alone. */
export async function openSession(
  tables: Tables,
  personId: string,
  { device, called, key }: Place,
  now = Date.now(),
): Promise<string> {
  const token = newToken();
  await tables.sessions.create({
    id: idOfToken(token),
    person_id: personId,
    device,
    called,
    key: key ? keyNameOf(key) : null,
    since_ms: now,
    seen_ms: now,
    ended_ms: null,
    revoked: 0,
  });
  return token;
}

type Ending = {
  /** One that goes on. */
  readonly except?: string;
  /** Whether it is taken from a phone that is lost. */
  readonly isRevoked?: boolean;
};

/** Ends sessions: of a person, or one by its id. */
export async function endSessions(
  tables: Tables,
  which: { readonly person_id: string } | { readonly id: string },
  { except, isRevoked = false }: Ending = {},
): Promise<void> {
  const open = await tables.sessions.findAll({ where: { ...which, ended_ms: null }, raw: true });
  const change = { ended_ms: Date.now(), revoked: Number(isRevoked) };
  for (const { id } of open)
    if (id !== except) await tables.sessions.update(change, { where: { id } });
}

/** People by their id. One who has left is among them: what he signed stays his. */
export async function peopleOf(tables: Tables): Promise<readonly Person[]> {
  const rows = await tables.people.findAll({ order: [['id', 'ASC']], raw: true });
  return rows.map(({ body }) => personSchema.parse(JSON.parse(body)));
}

/** Knows who is signed in without asking the database each time: one process alone writes to it. */
export class Doorkeeper {
  private readonly known = new Map<string, SignedIn & { seenMs: number; sinceMs: number }>();

  constructor(
    private readonly store: Store,
    private readonly now: () => number = Date.now,
  ) {}

  /** Whose token this is; undefined for one that was ended, has run out, or never was. */
  async whose(token: string): Promise<SignedIn | undefined> {
    const id = idOfToken(token);
    const found = this.known.get(id) ?? (await this.find(id));
    if (!found) return undefined;
    if (this.now() - found.seenMs > IDLE_MS || this.now() - found.sinceMs > LONGEST_MS) {
      this.known.delete(id);
      return undefined;
    }
    if (this.now() - found.seenMs > SEEN_EVERY_MS) await this.see(id, found);
    return found;
  }

  /** People or sessions have changed: what was known may be so no more. */
  forget(): void {
    this.known.clear();
  }

  async places(personId?: string, own?: string): Promise<PlaceOfSession[]> {
    const rows = await this.store.tables.sessions.findAll({
      where: { ended_ms: null, ...(personId === undefined ? {} : { person_id: personId }) },
      order: [['seen_ms', 'DESC']],
      raw: true,
    });
    return rows
      .filter(({ seen_ms }) => this.now() - seen_ms <= IDLE_MS)
      .map(({ ended_ms: _, revoked: _never, key: _key, ...place }) => ({
        ...place,
        own: place.id === own,
      }));
  }

  private async find(id: string) {
    const row = await this.store.tables.sessions.findByPk(id, { raw: true });
    if (!row || row.ended_ms !== null) return undefined;
    const kept = await this.store.tables.people.findByPk(row.person_id, { raw: true });
    const person = kept && personSchema.parse(JSON.parse(kept.body));
    if (!person || person.left_on !== undefined) return undefined;
    const found = {
      person,
      session: id,
      device: row.device,
      key: row.key,
      seenMs: row.seen_ms,
      sinceMs: row.since_ms,
    };
    this.known.set(id, found);
    return found;
  }

  private async see(id: string, found: { seenMs: number }): Promise<void> {
    found.seenMs = this.now();
    await this.store.write((tables) =>
      tables.sessions.update({ seen_ms: found.seenMs }, { where: { id } }),
    );
  }
}
