import {
  checkWith,
  evidenceFileSchema,
  seededRandom,
  verifyEvidence,
  type EventOf,
  type RunEvent,
} from '@holvek/core';
import 'fake-indexeddb/auto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CrewPhone, SECRET, type Hand, type Weather } from './crew-phone';
import { FIRST_CODE, KilledServer, sleep } from './killed-server';
import { benchGauges, benchValve, recordRun } from './sample';

const PORT = 8196;
const DAY_MS = 86_400_000;
/** Looks at the crew in a day: each enters a part of its run, and sends what the weather lets through. */
const TICKS = 5;
/** Entries of a record, made between two looks. */
const PART = 18;
const names = ['Ada Quill', 'Bo Tarn', 'Cleo Marsh', 'Dan Pike', 'Eli Stone', 'Fay Reed'];
const hands: readonly Hand[] = names.map((name) => ({
  name,
  short: name.split(' ')[0]!.toLowerCase(),
}));

type Size = { readonly devices: number; readonly days: number };
type Random = ReturnType<typeof seededRandom>;
type Crew = {
  readonly server: KilledServer;
  readonly phones: readonly CrewPhone[];
  readonly random: Random;
  readonly told: { kills: number; revoked: number; handedOver: number; neverStarted: number };
};

/** What the owner does, who is nobody’s phone. */
class Owner {
  private cookie = '';
  constructor(private readonly url: string) {}

  async begin(): Promise<void> {
    const first = { code: FIRST_CODE, name: 'Bench', short: 'bench', secret: SECRET };
    const answer = await this.ask('POST', '/first-owner', { ...first, device: 'bench' });
    this.cookie = answer.headers.get('set-cookie')!.split(';')[0]!;
  }

  async get<T>(path: string): Promise<T> {
    return (await (await this.ask('GET', path)).json()) as T;
  }

  async ask(method: string, path: string, body?: unknown): Promise<Response> {
    const answer = await fetch(`${this.url}/api${path}`, {
      method,
      headers: { 'content-type': 'application/json', cookie: this.cookie },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    if (!answer.ok) throw new Error(`${method} ${path}: ${await answer.text()}`);
    return answer;
  }
}

/**
 * Two weeks of a crew with one small server: phones that are off line for half of the time, answers that are cut off, clocks
 * that are minutes, days or a year wrong, sessions that are revoked, runs that are handed over, a phone that is
 * lost, and a server that is killed. What was entered must be there once, under its author, and every sheet
 * must verify.
 */
export async function crewBench({ devices, days }: Size) {
  const folder = mkdtempSync(join(tmpdir(), 'holvek-crew-'));
  const server = new KilledServer(PORT, join(folder, 'holvek.sqlite'));
  try {
    server.start();
    await server.isUp();
    return await worked(server, { devices, days });
  } finally {
    await server.kill();
    rmSync(folder, { recursive: true });
  }
}

async function worked(server: KilledServer, { devices, days }: Size) {
  const owner = new Owner(server.url);
  await owner.begin();
  const phones = Array.from(
    { length: devices },
    (_, n) => new CrewPhone(`crew-${n}`, server.url, hands[n % hands.length]!),
  );
  await register(owner, devices);
  for (const phone of phones) await phone.signIn();
  phones.forEach((phone, n) => (phone.clockError_ms = clockErrorOf(n)));
  const told = { kills: 0, revoked: 0, handedOver: 0, neverStarted: 0 };
  const crew = { server, phones, random: seededRandom(97), told };
  const from = Date.now() - days * DAY_MS;
  for (let day = 0; day < days; day++)
    await oneDay(crew, owner, { day, at_ms: from + day * DAY_MS });
  await lastOfAll(crew);
  return whatIsThere(crew, owner);
}

/** A year ahead, three days behind, and a few minutes either way. */
function clockErrorOf(n: number): number {
  if (n === 3) return 365 * DAY_MS;
  if (n === 7) return -3 * DAY_MS;
  return (((n * 37) % 9) - 4) * 60_000;
}

async function register(owner: Owner, devices: number): Promise<void> {
  for (const gauge of benchGauges) await owner.ask('PUT', `/gauges/${gauge.id}`, gauge);
  for (let n = 0; n < devices; n++)
    await owner.ask('PUT', `/valves/${valveOf(n)}`, {
      ...benchValve,
      id: valveOf(n),
      tag: `CREW-${n}`,
    });
  for (const { name, short } of hands) {
    const person = { id: `p-${short}`, name, short, role: 'technician', licences: [] };
    await owner.ask('PUT', `/people/${person.id}`, { person, secret: SECRET });
  }
}

const valveOf = (n: number): string => `crew-${n}`;

async function oneDay(
  crew: Crew,
  owner: Owner,
  { day, at_ms }: { readonly day: number; readonly at_ms: number },
): Promise<void> {
  const { phones, random } = crew;
  for (const [n, phone] of phones.entries()) {
    // A valve has one run at a time.
    const isFree = phone.works.length === 0 && !phones.some((each) => worksOn(each, n));
    if (isFree && random.between(0, 1) < 0.8) await beginOn(phone, n, at_ms + n * 60_000);
  }
  for (let tick = 0; tick < TICKS; tick++) {
    await changeAll(crew, owner, day * TICKS + tick);
    const killed = random.between(0, 1) < 0.25 ? killSoon(crew) : undefined;
    await Promise.all(
      phones.map(async (phone) => {
        await phone.enter(PART);
        await phone.send();
      }),
    );
    await killed;
  }
}

const started = new Map<string, number>();
const worksOn = (phone: CrewPhone, n: number): boolean =>
  phone.works.some(({ runId }) => started.get(runId) === n);

async function beginOn(phone: CrewPhone, n: number, at_ms: number): Promise<void> {
  const [start, ...rest] = recordRun('crew') as [EventOf<'started'>, ...RunEvent[]];
  const own = { ...start, valve_id: valveOf(n), valve_tag: `CREW-${n}` };
  await phone.begin(own, rest, at_ms);
  started.set(phone.works.at(-1)!.runId, n);
}

/** The weather turns, a clock is set back, a session is taken away, work changes hands. */
async function changeAll(
  { phones, random, told }: Crew,
  owner: Owner,
  tick: number,
): Promise<void> {
  const pick = () => phones[Math.floor(random.between(0, phones.length))]!;
  for (const phone of phones) phone.weather = weatherOf(random);
  pick().clockError_ms -= 3_600_000;
  for (const from of phones) {
    const to = pick();
    const may = from !== to && !to.isLost && random.between(0, 1) < 0.2;
    if (may && (await from.handOver(to))) told.handedOver += 1;
  }
  for (const phone of phones) if (random.between(0, 1) < 0.3) await phone.signIn();
  if (tick % TICKS !== 2) return;
  const phone = pick();
  // The second week has one that never comes back.
  if (tick === 7 * TICKS + 2) phone.isLost = true;
  const places = await owner.get<{ id: string; called: string }[]>('/sessions');
  for (const { id, called } of places)
    if (called === phone.name) {
      await owner.ask('DELETE', `/sessions/${id}`);
      told.revoked += 1;
    }
}

function weatherOf(random: Random): Weather {
  const chance = random.between(0, 1);
  if (chance < 0.45) return 'fine';
  return chance < 0.8 ? 'away' : 'cut';
}

async function killSoon({ server, random, told }: Crew): Promise<void> {
  await sleep(random.between(5, 250));
  await server.kill();
  told.kills += 1;
  server.start();
  if (!(await server.isUp())) told.neverStarted += 1;
}

/** All come home: what is begun is finished, and what waits is sent, by whoever may still come in. */
async function lastOfAll({ phones }: Crew): Promise<void> {
  for (const phone of phones) {
    phone.weather = 'fine';
    if (phone.isLost) continue;
    while (phone.works.length > 0) await phone.enter(PART);
    await phone.signIn();
    for (let tries = 0; tries < 5 && (await phone.queued()) > 0; tries++) await phone.send();
  }
}

async function whatIsThere({ phones, told }: Crew, owner: Owner) {
  const written = new Map<string, RunEvent>();
  const onPhones = new Set<string>();
  let refused = 0;
  let kept = 0;
  let left = 0;
  for (const phone of phones) {
    for (const event of await phone.entries()) written.set(event.id, event);
    for (const { id } of [...(await phone.waiting()), ...(await phone.refused())]) onPhones.add(id);
    refused += (await phone.refused()).length;
    if (phone.isLost) kept += await phone.queued();
    else left += await phone.queued();
  }
  const runs = [...new Set([...written.values()].map(({ run_id }) => run_id))];
  const stored: RunEvent[] = [];
  for (const run of runs) {
    const answer = await owner.get<{ events?: RunEvent[] }>(`/runs/${run}`).catch(() => undefined);
    stored.push(...(answer?.events ?? []));
  }
  const ids = new Set(stored.map(({ id }) => id));
  const file = evidenceFileSchema.parse(await owner.get('/evidence.json'));
  const { faults } = await verifyEvidence(file, { check: checkWith(globalThis.crypto.subtle) });
  const signatures = [...written.values()].filter(({ type }) => type === 'signed');
  const isLost = ({ id }: RunEvent) => !ids.has(id) && !onPhones.has(id);
  const isOther = ({ id, author }: RunEvent) => written.get(id)?.author !== author;
  return [
    { what: 'runs begun', count: runs.length },
    { what: 'entries made', count: written.size },
    { what: 'answers cut off', count: phones.reduce((sum, { cut }) => sum + cut, 0) },
    { what: 'server killed', count: told.kills },
    { what: 'never started again', count: told.neverStarted },
    { what: 'sessions revoked', count: told.revoked },
    { what: 'runs handed over', count: told.handedOver },
    { what: 'kept aside on the phone that was lost', count: kept },
    { what: 'still waiting on another', count: left },
    { what: 'refused', count: refused },
    { what: 'lost', count: [...written.values()].filter(isLost).length },
    { what: 'doubled', count: stored.length - ids.size },
    { what: 'under another author', count: stored.filter(isOther).length },
    { what: 'runs signed', count: signatures.filter(({ id }) => ids.has(id)).length },
    { what: 'sheets filed', count: file.sheets.length },
    { what: 'faults in the whole record', count: faults.length },
  ];
}
