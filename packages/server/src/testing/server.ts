import {
  asRecord,
  defaultHouseRules,
  licenceKindSchema,
  rehearse,
  sealEntries,
  startDraft,
  twinOf,
  type EventOf,
  type Person,
  type Rehearsal,
  type Role,
  type Valve,
} from '@holvek/core';
import { createApp, type App, type AppOptions } from '../app';
import { openStore, type Store } from '../db/open';
import { COOKIE } from '../people/gate';
import { openSession } from '../people/sessions';
import { keepPerson } from '../routes/people';
import { demoGauges, demoValves } from '../seed/valves';

export const now = Date.UTC(2026, 10, 24, 7, 30);
export const valve: Valve = demoValves.find(({ valve: { tag } }) => tag === 'PRV-07')!.valve;
export const gauges = demoGauges(now);

export type TestServer = {
  readonly store: Store;
  readonly app: App;
  /** The owner’s, who makes all requests but those made `as` another. */
  readonly cookie: string;
  readonly get: (path: string) => Promise<Response>;
  readonly send: (
    method: 'PUT' | 'POST' | 'DELETE',
    path: string,
    body?: unknown,
  ) => Promise<Response>;
  /** The same server as another person meets it, from a device of his own. */
  readonly as: (role: Role | 'nobody') => Promise<Pick<TestServer, 'get' | 'send'>>;
  readonly faults: unknown[];
};

/** A server over a store of its own with one valve and its gauges; nothing listens on a port. */
export async function testServer(
  file = ':memory:',
  more: Partial<AppOptions> = {},
): Promise<TestServer> {
  const store = await openStore(file);
  const faults: unknown[] = [];
  const app = createApp(store, {
    fontFolder: `${process.cwd().replace(/packages\/server$/u, '')}/node_modules/@expo-google-fonts`,
    log: (error) => faults.push(error),
    ...more,
  });
  const here = (cookie: string): Pick<TestServer, 'get' | 'send'> => ({
    get: async (path) => app.request(`/api${path}`, { headers: { cookie } }),
    send: async (method, path, body) =>
      app.request(`/api${path}`, {
        method,
        headers: { 'content-type': 'application/json', cookie },
        ...(body === undefined
          ? {}
          : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
      }),
  });
  const as: TestServer['as'] = async (role) =>
    here(role === 'nobody' ? '' : await cookieOf(store, crew[role]));
  const cookie = await cookieOf(store, crew.owner);
  const owner = here(cookie);
  if ((await store.tables.valves.count()) === 0) {
    await owner.send('PUT', `/valves/${valve.id}`, valve);
    for (const gauge of gauges) await owner.send('PUT', `/gauges/${gauge.id}`, gauge);
  }
  return { store, app, cookie, ...owner, as, faults };
}

const person = (short: string, name: string, role: Role): Person => ({
  id: `p-${short}`,
  name,
  short,
  role,
  licences:
    role === 'owner'
      ? licenceKindSchema.options.map((kind) => ({ kind, number: '7', valid_until: '2099-12-31' }))
      : [],
});
/** One of each role; the owner, who has every licence, is the author of the runs below. */
export const crew: { readonly [R in Role]: Person } = {
  owner: person('ines', 'Ines Varga', 'owner'),
  supervisor: person('edda', 'Edda Lorenz', 'supervisor'),
  technician: person('tomas', 'Tomas Brandt', 'technician'),
  viewer: person('mira', 'Mira Solberg', 'viewer'),
};

/** Someone of the crew, signed in as if by his PIN, on a device that is called after him. */
export async function cookieOf(
  store: Store,
  someone: Person,
  device = `phone-of-${someone.short}`,
): Promise<string> {
  const place = { device, called: '' };
  const token = await store.write(async (tables) => {
    await keepPerson(tables, someone);
    return openSession(tables, someone.id, place);
  });
  return `${COOKIE}=${token}`;
}

/** A whole run of the valve as a phone would have written it: a record, its readings given by hand. */
export function wholeRun(runId: string, seed = 1, stopBefore?: string, startAtMs = now): Rehearsal {
  const practice = wholePractice(runId, seed, stopBefore, startAtMs);
  return { ...practice, events: asRecord(practice.events) };
}

const practised = new Map<string, Rehearsal>();

/** The same as practice on its twin; carried out once, since the same hand does the same. */
export function wholePractice(
  runId: string,
  seed = 1,
  stopBefore?: string,
  startAtMs = now,
): Rehearsal {
  const key = JSON.stringify([runId, seed, stopBefore, startAtMs]);
  const known = practised.get(key) ?? practise(runId, seed, stopBefore, startAtMs);
  practised.set(key, known);
  return { ...known, events: [...known.events] };
}

function practise(
  runId: string,
  seed: number,
  stopBefore: string | undefined,
  startAtMs: number,
): Rehearsal {
  const started = startDraft(valve, {
    school: 'from_zero',
    gauges: { inlet: gauges[0]!, outlet: gauges[1]! },
    rules: defaultHouseRules,
    sheets: [],
    twin: { seed, faults: [], found_pa: 500_000 },
  });
  const stamped = {
    ...started,
    id: '',
    run_id: runId,
    author: '',
    at_ms: now,
    lamport: 1,
  } as EventOf<'started'>;
  let count = 0;
  const rehearsal = rehearse({
    started,
    runId,
    twin: twinOf(stamped)!,
    author: 'Ines Varga',
    startAtMs,
    newId: () => `${runId}-${String(++count).padStart(4, '0')}`,
    ...(stopBefore ? { stopBefore } : {}),
  });
  return { ...rehearsal, events: sealEntries(rehearsal.events) };
}

export type Problem = { readonly error: { readonly code: string; readonly detail?: unknown } };
export const codeOf = async (response: Response): Promise<string> =>
  ((await response.json()) as Problem).error.code;
