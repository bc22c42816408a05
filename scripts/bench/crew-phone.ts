import {
  problemSchema,
  proofDigest,
  type EventOf,
  type Ingested,
  type RunEvent,
  type RunEventDraft,
} from '@holvek/core';
import {
  deviceId,
  deviceKey,
  openDeviceDb,
  Outbox,
  Refusal,
  RunShelf,
  Unreachable,
} from '../../packages/app/src/data/phone-parts';

/** How a phone stands to its server for a while. */
export type Weather = 'fine' | 'away' | 'cut';
export type Hand = { readonly name: string; readonly short: string };
export const SECRET = '593712';

/** What is left to be entered in a run, at what distance from its start. */
type Work = {
  readonly runId: string;
  readonly rest: { readonly draft: RunEventDraft; readonly after_ms: number }[];
  readonly startMs: number;
};

/** What a rehearsed record says, without when and by whom it was said. */
export function draftOf(event: RunEvent): RunEventDraft {
  const { id: _, run_id: _run, author: _a, device: _d, at_ms: _t, lamport: _l, ...said } = event;
  const { seen: _s, hash: _h, ...draft } = said;
  if (draft.type !== 'signed') return draft;
  const { root: _r, sheet: _sh, device_signature: _ds, ...signed } = draft;
  return signed;
}

/**
 * A phone of the crew: the shelf, the outbox and the key of the real one, over a database of its own, with a
 * clock that may be wrong and a network that comes and goes.
 */
export class CrewPhone {
  weather: Weather = 'fine';
  /** How far its clock is from the true one. */
  clockError_ms = 0;
  /** Answers that were on their way when the line was cut: the server has what was sent, the phone does not know. */
  cut = 0;
  /** Its session was taken from it, for good: it signs in no more. */
  isLost = false;
  readonly works: Work[] = [];
  private at_ms = 0;
  private cookie = '';
  private readonly db;
  private readonly shelf;
  private readonly outbox;

  constructor(
    readonly name: string,
    private readonly url: string,
    readonly hand: Hand,
  ) {
    this.db = openDeviceDb(name);
    this.shelf = new RunShelf({ db: this.db, now: () => this.at_ms + this.clockError_ms });
    this.outbox = new Outbox(this.db, { postEvents: this.post });
  }

  /** Signs in with a proof of its key, as a phone does; whether it could. */
  async signIn(): Promise<boolean> {
    if (this.isLost || this.weather !== 'fine') return false;
    const db = await this.db;
    const device = await deviceId(db);
    const key = (await deviceKey(db))!;
    const asked = await this.ask('/session').catch(() => undefined);
    if (!asked?.ok) return false;
    const { challenge } = (await asked.json()) as { challenge: string };
    const signature = await key.sign(proofDigest(challenge, device));
    const proof = { key: key.publicKey, signature, challenge };
    const body = { short: this.hand.short, secret: SECRET, device, called: this.name, proof };
    const answer = await this.ask('/session', body).catch(() => undefined);
    const cookie = answer?.headers.get('set-cookie')?.split(';')[0];
    if (!answer?.ok || cookie === undefined) return false;
    this.cookie = cookie;
    return true;
  }

  /** Begins a run that will be entered a bit at a time. */
  async begin(start: EventOf<'started'>, events: readonly RunEvent[], at_ms: number) {
    this.at_ms = at_ms;
    const draft = draftOf(start) as Parameters<RunShelf['begin']>[0];
    const runId = await this.shelf.begin(draft, this.hand.name);
    if (typeof runId !== 'string') throw new Error(`not begun: ${JSON.stringify(runId)}`);
    const rest = events.map((event) => ({
      draft: draftOf(event),
      after_ms: event.at_ms - start.at_ms,
    }));
    this.works.push({ runId, rest, startMs: at_ms });
  }

  /** Enters so much more of what it has begun; a run that is signed is put away. */
  async enter(count: number): Promise<void> {
    const [work] = this.works;
    if (!work) return;
    for (const { draft, after_ms } of work.rest.splice(0, count)) {
      this.at_ms = work.startMs + after_ms;
      const said = draft.type === 'signed' ? { ...draft, name: this.hand.name } : draft;
      const refused = await this.shelf.add(work.runId, said, this.hand.name);
      if (refused) throw new Error(`${this.name} may not enter ${JSON.stringify(refused)}`);
    }
    if (work.rest.length === 0) this.works.shift();
  }

  /** Another phone goes on with what this one has begun, from what the server has of it. */
  async handOver(to: CrewPhone): Promise<boolean> {
    const [work] = this.works;
    if (!work || work.rest.length < 10 || (await this.queued()) > 0) return false;
    const answer = await to.ask(`/runs/${work.runId}`).catch(() => undefined);
    if (!answer?.ok) return false;
    const { events } = (await answer.json()) as { events: RunEvent[] };
    const own = this.shelf.snapshot().get(work.runId)!.events;
    if (events.length !== own.length) return false;
    await to.shelf.take(events);
    to.works.push(work);
    this.works.shift();
    return true;
  }

  send = (): Promise<void> => this.outbox.flush();
  queued = async (): Promise<number> => (await this.db).count('queued');
  waiting = async () => (await this.db).getAll('queued');
  refused = async () => (await this.db).getAll('refused');
  /** Its own: what it has of another phone’s came from the server. */
  entries = async (): Promise<readonly RunEvent[]> => {
    const db = await this.db;
    const own = await deviceId(db);
    return (await db.getAll('events')).filter(({ device }) => device === own);
  };

  private ask(path: string, body?: unknown): Promise<Response> {
    return fetch(`${this.url}/api${path}`, {
      headers: { 'content-type': 'application/json', cookie: this.cookie },
      ...(body === undefined ? {} : { method: 'POST', body: JSON.stringify(body) }),
    });
  }

  private post = async (runId: string, events: readonly RunEvent[]): Promise<Ingested> => {
    if (this.weather === 'away') throw new Unreachable('away');
    const answer = await this.ask(`/runs/${runId}/events`, { events }).catch(() => undefined);
    const text = await answer?.text().catch(() => undefined);
    if (this.weather === 'cut' && text !== undefined) this.cut += 1;
    if (!answer || text === undefined || this.weather === 'cut') throw new Unreachable('cut');
    if (answer.ok) return JSON.parse(text) as Ingested;
    const { error } = problemSchema.parse(JSON.parse(text));
    throw new Refusal(answer.status, error.code, error.detail);
  };
}
