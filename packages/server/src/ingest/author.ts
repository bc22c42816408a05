import {
  checkWith,
  isPractice,
  isSignedByDevice,
  keyNameOf,
  lackedLicence,
  may,
  whoMay,
  type EventOf,
  type HouseAction,
  type Person,
  type Run,
  type RunEvent,
} from '@holvek/core';
import type { Tables } from '../db/tables';
import { peopleRulesOf } from '../people/rules';
import { peopleOf, type SignedIn } from '../people/sessions';
import type { Trouble } from './judge';

const check = checkWith(globalThis.crypto.subtle);

/** Who sends entries, from which phone, and with which key he signed in on it. */
export type Sender = Pick<SignedIn, 'person' | 'device' | 'key'>;

/**
 * Holds each entry of a batch to its author: the one who sends it, or somebody who is signed in on the
 * very phone that made it (one phone serves several hands, and sends for all of them).
 */
export class Authors {
  private readonly found = new Map<string, Person | undefined>();

  constructor(
    private readonly tables: Tables,
    private readonly sender: Sender,
  ) {}

  /** Why an entry cannot be by whom it says; undefined when it can. */
  async trouble(
    event: RunEvent,
    started: Run['started'] | undefined,
  ): Promise<Trouble | undefined> {
    const person = await this.authorOf(event);
    if (!person) return { code: 'entry.not_yours', detail: { author: event.author } };
    const wrong = event.type === 'signed' ? await this.signatureTrouble(event, person) : undefined;
    if (wrong) return wrong;
    const start = event.type === 'started' ? event : started;
    const work = event.type === 'signed' ? 'sign' : 'work';
    const action = start && isPractice(start) ? 'practise' : work;
    if (!may(person.role, action))
      return { code: 'person.may_not', detail: { action, needs: whoMay(action) } };
    if (event.type === 'handed_over' && !(await this.isHand(event.to, action)))
      return { code: 'entry.no_such_hand', detail: { name: event.to } };
    const isAsked = event.type === 'started' || event.type === 'signed';
    return start && isAsked && !isPractice(start)
      ? this.unlicensed(person, start, event)
      : undefined;
  }

  private async signatureTrouble(
    event: EventOf<'signed'>,
    person: Person,
  ): Promise<Trouble | undefined> {
    if (event.name !== person.name)
      return { code: 'entry.other_name', detail: { name: event.name } };
    return (await this.isByKnownKey(event, person)) ? undefined : { code: 'entry.other_key' };
  }

  /** Whether somebody of this name is of the house, and may do this there. */
  private async isHand(name: string, action: HouseAction): Promise<boolean> {
    const person = (await peopleOf(this.tables)).find((each) => each.name === name);
    return person !== undefined && person.left_on === undefined && may(person.role, action);
  }

  /** A record that calls for a licence is begun and signed by a hand that has it on that day. */
  private async unlicensed(
    person: Person,
    { plate: { family } }: Run['started'],
    { at_ms }: RunEvent,
  ): Promise<Trouble | undefined> {
    const day = new Date(at_ms).toISOString().slice(0, 10);
    const rules = await peopleRulesOf(this.tables);
    const kind = lackedLicence({ person, family, rules, day });
    return kind && { code: 'person.no_licence', detail: { kind } };
  }

  /**
   * Whether a signature is by a key that its author signed in with on this very device: who has stolen a
   * session has not its key. From a browser that gives no keys there is none to ask for.
   */
  private async isByKnownKey(event: EventOf<'signed'>, { id }: Person): Promise<boolean> {
    const where = { person_id: id, device: event.device ?? '' };
    const places = await this.tables.sessions.findAll({ where, raw: true });
    const keys = places.flatMap(({ key, revoked }) => (key !== null && revoked !== 1 ? [key] : []));
    const made = event.device_signature;
    const asksForNone = keys.length === 0 && this.sender.key === null;
    const isKnown = made ? keys.includes(keyNameOf(made.key)) : false;
    return (isKnown || asksForNone) && isSignedByDevice(event, check);
  }

  private async authorOf({ author, device }: RunEvent): Promise<Person | undefined> {
    if (author === this.sender.person.name) return this.sender.person;
    // Another’s entries are sent by nobody but the phone that they were made on.
    if (device === undefined || device !== this.sender.device) return undefined;
    const key = `${device} ${author}`;
    if (!this.found.has(key)) this.found.set(key, await this.signedInOn(device, author));
    return this.found.get(key);
  }

  /** Somebody of this name who has signed in on this phone, and whose last session there was not ended by another. */
  private async signedInOn(device: string, name: string): Promise<Person | undefined> {
    const person = (await peopleOf(this.tables)).find((each) => each.name === name);
    if (!person || person.left_on !== undefined) return undefined;
    const where = { person_id: person.id, device };
    const last = await this.tables.sessions.findOne({
      where,
      order: [['since_ms', 'DESC']],
      raw: true,
    });
    return last && last.revoked !== 1 ? person : undefined;
  }
}
