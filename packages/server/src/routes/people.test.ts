import {
  deviceSigner,
  makeDeviceKey,
  proofDigest,
  sealEntries,
  sealEntry,
  signedEntry,
  unwrap,
  type EventOf,
  type Ingested,
  type Person,
  type PlaceOfSession,
  type RunEvent,
  type Session,
  type Signer,
} from '@holvek/core';
import { createApp } from '../app';
import { openStore, type Store } from '../db/open';
import { Authors } from '../ingest/author';
import { firstCodeOf } from '../people/first-code';
import { Challenges } from '../people/challenges';
import { actionOf } from '../people/gate';
import { isSecret, keptSecret } from '../people/secret';
import { Tries } from '../people/tries';
import {
  codeOf,
  cookieOf,
  crew,
  testServer,
  valve,
  wholePractice,
  wholeRun,
  type TestServer,
} from '../testing/server';
import { keepPerson, markDemo } from './people';

const PIN = '593712';
let server: TestServer;
beforeEach(async () => {
  server = await testServer();
});
afterEach(() => server.store.close());

/** A request as a phone makes it, with what it was given to say who it is. */
const from =
  ({ app }: Pick<TestServer, 'app'>, cookie = '') =>
  async (method: string, path: string, body?: unknown) =>
    app.request(`/api${path}`, {
      method,
      headers: { 'content-type': 'application/json', cookie },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
const cookieIn = (answer: Response): string => answer.headers.get('set-cookie')!.split(';')[0]!;
const signIn = (short: string, secret: string, device = 'phone-1') =>
  from(server)('POST', '/session', { short, secret, device });
const { subtle } = globalThis.crypto;
const aKey = async (): Promise<Signer> => deviceSigner(subtle, await makeDeviceKey(subtle));
const challengeOf = async (): Promise<string> =>
  ((await (await from(server)('GET', '/session')).json()) as Session).challenge!;
/** Tomas, from a device that proves its key. */
async function signInWith(key: Signer, device: string, over: object = {}): Promise<Response> {
  const challenge = await challengeOf();
  const signature = await key.sign(proofDigest(challenge, device));
  const proof = { key: key.publicKey, challenge, signature, ...over };
  const said = { short: 'tomas', secret: PIN, device, proof };
  return from(server)('POST', '/session', said);
}
const putPerson = (person: Person, secret?: string) =>
  server.send('PUT', `/people/${person.id}`, { person, secret });

describe('signing in', () => {
  beforeEach(() => putPerson(crew.technician, PIN));

  test('gives a token that no script can read and no other house is sent', async () => {
    const answer = await signIn('Tomas ', PIN);
    expect(answer.status).toBe(200);
    expect((await answer.json()) as Session).toMatchObject({ person: crew.technician });
    const set = answer.headers.get('set-cookie')!;
    for (const part of ['HttpOnly', 'SameSite=Strict', 'Path=/']) expect(set).toContain(part);
    expect(set).not.toContain('Secure');
    const me = (await (await from(server, cookieIn(answer))('GET', '/session')).json()) as Session;
    expect(me.person?.name).toBe('Tomas Brandt');
    const { id } = (await server.store.tables.sessions.findOne({
      where: { device: 'phone-1' },
      raw: true,
    }))!;
    expect(cookieIn(answer)).not.toContain(id);
  });

  test('over TLS its token goes over nothing else', async () => {
    const body = JSON.stringify({ short: 'tomas', secret: PIN, device: 'd' });
    const headers = { 'content-type': 'application/json' };
    const init = { method: 'POST', headers, body };
    const answer = await server.app.request('https://valves.example/api/session', init);
    expect(answer.headers.get('set-cookie')).toContain('Secure');
  });

  test('a wrong secret and a name that is not there are refused alike', async () => {
    for (const [short, secret] of [
      ['tomas', '593713'],
      ['nobody', PIN],
    ] as const) {
      const answer = await signIn(short, secret);
      expect(answer.status).toBe(401);
      expect(await answer.json()).toEqual({ error: { code: 'person.wrong_secret' } });
      expect(answer.headers.get('set-cookie')).toBeNull();
    }
  });

  test('after five wrong tries one waits, even with the right one', async () => {
    for (let i = 0; i < 5; i++) expect((await signIn('tomas', `x${i}`)).status).toBe(401);
    const answer = await signIn('tomas', PIN);
    expect(answer.status).toBe(429);
    const { error } = (await answer.json()) as {
      error: { code: string; detail: { seconds: number } };
    };
    expect(error.code).toBe('person.try_later');
    // Half a minute, less what the tries themselves took.
    expect(error.detail.seconds).toBeGreaterThan(20);
    expect(error.detail.seconds).toBeLessThanOrEqual(30);
  });

  test('a hundred at once are a hundred tries', async () => {
    const all = await Promise.all(
      Array.from({ length: 20 }, (_, i) => signIn('tomas', `guess-${i}`)),
    );
    expect(all.filter(({ status }) => status === 401)).toHaveLength(5);
  });

  test('signed out, a token opens nothing', async () => {
    const cookie = cookieIn(await signIn('tomas', PIN));
    const ask = from(server, cookie);
    expect((await ask('GET', '/valves')).status).toBe(200);
    expect((await ask('DELETE', '/session')).status).toBe(200);
    expect(await codeOf(await ask('GET', '/valves'))).toBe('person.not_signed_in');
  });

  test('one who has left comes in no more, with his token or without', async () => {
    const cookie = cookieIn(await signIn('tomas', PIN));
    await putPerson({ ...crew.technician, left_on: '2026-11-25' });
    expect((await from(server, cookie)('GET', '/valves')).status).toBe(401);
    expect((await signIn('tomas', PIN)).status).toBe(401);
  });

  test('a new secret ends what was open with the old one, but for the phone it is changed on', async () => {
    const first = from(server, cookieIn(await signIn('tomas', PIN)));
    const second = from(server, cookieIn(await signIn('tomas', PIN, 'phone-2')));
    const change = (old: string, secret: string) =>
      first('PUT', '/session/secret', { old, secret });
    expect(await codeOf(await change('wrong!', 'a pump in the yard'))).toBe('person.wrong_secret');
    expect(await codeOf(await change(PIN, '111111'))).toBe('request.invalid');
    expect((await change(PIN, 'a pump in the yard')).status).toBe(200);
    expect((await first('GET', '/valves')).status).toBe(200);
    expect((await second('GET', '/valves')).status).toBe(401);
    expect((await signIn('tomas', PIN)).status).toBe(401);
    expect((await signIn('tomas', 'a pump in the yard')).status).toBe(200);
  });

  test('a phone that is not used for a month has to be signed in again', async () => {
    const cookie = cookieIn(await signIn('tomas', PIN));
    const old = Date.now() - 31 * 86_400_000;
    await server.store.tables.sessions.update({ seen_ms: old }, { where: { device: 'phone-1' } });
    expect((await from(server, cookie)('GET', '/valves')).status).toBe(401);
  });

  test('after half a year one signs in anew, however often the phone was used', async () => {
    const open = async (days: number) => {
      const cookie = cookieIn(await signIn('tomas', PIN, `phone-${days}`));
      const since_ms = Date.now() - days * 86_400_000;
      const where = { device: `phone-${days}` };
      await server.store.tables.sessions.update({ since_ms }, { where });
      return (await from(server, cookie)('GET', '/valves')).status;
    };
    expect([await open(179), await open(181)]).toEqual([200, 401]);
  });

  test('everybody sees his own phones, an owner all, and each is ended by those who see it', async () => {
    const tomas = from(server, cookieIn(await signIn('tomas', PIN)));
    const own = (await (await tomas('GET', '/sessions')).json()) as PlaceOfSession[];
    expect(own.map(({ device, own: mine }) => [device, mine])).toEqual([['phone-1', true]]);
    const all = (await (await server.get('/sessions')).json()) as PlaceOfSession[];
    expect(all.map(({ device }) => device).sort()).toEqual(['phone-1', 'phone-of-ines']);
    const owners = all.find(({ device }) => device === 'phone-of-ines')!;
    expect((await tomas('DELETE', `/sessions/${owners.id}`)).status).toBe(403);
    expect((await tomas('DELETE', '/sessions/none')).status).toBe(404);
    expect((await server.send('DELETE', `/sessions/${own[0]!.id}`)).status).toBe(200);
    expect((await tomas('GET', '/valves')).status).toBe(401);
  });
});

describe('the phone that somebody signs in on', () => {
  beforeEach(() => putPerson(crew.technician, PIN));

  test('proves its key, by a text that is good once', async () => {
    const key = await aKey();
    expect((await signInWith(key, 'phone-9')).status).toBe(200);
    const challenge = await challengeOf();
    for (const over of [
      { challenge: 'made-up' },
      { signature: await key.sign(proofDigest(challenge, 'phone-8')) },
      { key: (await aKey()).publicKey },
    ])
      expect(await codeOf(await signInWith(key, 'phone-9', over))).toBe('device.not_proved');
    const signature = await key.sign(proofDigest(challenge, 'phone-9'));
    const again = { challenge, signature };
    expect((await signInWith(key, 'phone-9', again)).status).toBe(200);
    expect(await codeOf(await signInWith(key, 'phone-9', again))).toBe('device.not_proved');
  });

  test('is nobody else’s: another key, or none, does not come in as it', async () => {
    const key = await aKey();
    await signInWith(key, 'phone-9');
    expect(await codeOf(await signInWith(await aKey(), 'phone-9'))).toBe('device.other_key');
    expect(await codeOf(await signIn('tomas', PIN, 'phone-9'))).toBe('device.other_key');
    expect((await signInWith(await aKey(), 'phone-7')).status).toBe(200);
    const all = (await (await server.get('/sessions')).json()) as PlaceOfSession[];
    for (const { id } of all.filter(({ device }) => device === 'phone-9'))
      await server.send('DELETE', `/sessions/${id}`);
    expect((await signInWith(await aKey(), 'phone-9')).status).toBe(200);
  });

  test('a text to be signed is good for ten minutes', () => {
    let now = 0;
    const challenges = new Challenges(() => now);
    const [soon, late] = [challenges.make(), challenges.make()];
    now = 600_000;
    expect(challenges.take(soon)).toBe(true);
    now = 600_001;
    expect(challenges.take(late)).toBe(false);
  });
});

describe('a house without anybody', () => {
  let store: Store;
  const first = (app: TestServer['app'], over: object = {}) =>
    from({ app })('POST', '/first-owner', {
      ...{ code: 'abcd-2345-wxyz ', name: 'Edda Lorenz', short: 'edda', secret: PIN, device: 'd' },
      ...over,
    });
  const open = () => createApp(store, { fontFolder: '', firstCode: 'ABCD-2345-WXYZ' });
  beforeEach(async () => {
    store = await openStore(':memory:');
  });
  afterEach(() => store.close());

  test('gets its owner by the code that was printed, once', async () => {
    const app = open();
    expect(await (await from({ app })('GET', '/session')).json()).toMatchObject({
      has_owner: false,
    });
    expect((await from({ app })('GET', '/valves')).status).toBe(401);
    expect(await codeOf(await first(app, { code: 'ABCD-2345-WXYY' }))).toBe('person.wrong_secret');
    const answer = await first(app);
    expect(answer.status).toBe(200);
    expect((await answer.json()) as Session).toMatchObject({
      person: { role: 'owner' },
      has_owner: true,
    });
    expect((await from({ app }, cookieIn(answer))('GET', '/people')).status).toBe(200);
    expect(await codeOf(await first(app, { name: 'Another', short: 'other' }))).toBe(
      'house.has_owner',
    );
  });

  test('has a code of its own until it has somebody, and then none', async () => {
    expect((await firstCodeOf(store)).firstCode).toMatch(/^[A-Z2-9]{4}(-[A-Z2-9]{4}){2}$/u);
    expect(await firstCodeOf(store, 'SAID')).toEqual({ firstCode: 'SAID' });
    await cookieOf(store, crew.owner);
    await store.tables.secrets.create({ person_id: crew.owner.id, body: await keptSecret(PIN) });
    expect(await firstCodeOf(store, 'SAID')).toEqual({});
    const app = createApp(store, { fontFolder: '' });
    expect(await codeOf(await first(app))).toBe('house.has_owner');
  });

  test('with people of a record that was taken in, an owner of it comes in by the code, as he was', async () => {
    for (const person of [crew.owner, crew.technician])
      await store.write((tables) => keepPerson(tables, person));
    const gone = { ...crew.owner, id: 'gone', name: 'Gone', short: 'gone', left_on: '2026-01-01' };
    await store.write((tables) => keepPerson(tables, gone));
    const app = open();
    expect(await (await from({ app })('GET', '/session')).json()).toMatchObject({
      has_owner: false,
    });
    // Neither somebody who was never its owner, nor one who has left.
    for (const { name, short } of [crew.technician, gone])
      expect(await codeOf(await first(app, { name, short }))).toBe('person.short_taken');
    const { id, short } = crew.owner;
    const answer = await first(app, { name: 'Whoever', short });
    expect((await answer.json()) as Session).toMatchObject({
      person: { id, name: crew.owner.name },
    });
    expect(await codeOf(await first(app, { name: 'Another', short: 'other' }))).toBe(
      'house.has_owner',
    );
    expect((await store.tables.people.findAll()).length).toBe(3);
  });

  test('a demo says whom one may be there', async () => {
    await store.write((tables) => markDemo(tables, [{ person: crew.viewer, secret: PIN }]));
    const told = (await (await from({ app: open() })('GET', '/session')).json()) as Session;
    expect(told.demo).toEqual([{ person: crew.viewer, secret: PIN }]);
  });
});

describe('people of a house', () => {
  const tomas = crew.technician;

  test.each<[string, Person, string | undefined, string]>([
    ['no secret', tomas, undefined, 'person.needs_secret'],
    ['a short name that is taken', { ...tomas, short: 'ines' }, PIN, 'person.short_taken'],
    ['a name that is taken', { ...tomas, name: 'ines varga' }, PIN, 'person.name_taken'],
    ['another id than its address', { ...tomas, id: 'x' }, PIN, 'request.ids_differ'],
  ])('a new one with %s is refused', async (_, person, secret, code) => {
    const answer = await server.send('PUT', `/people/${tomas.id}`, { person, secret });
    expect(await codeOf(answer)).toBe(code);
  });

  test('a name stays: entries and sheets carry it', async () => {
    await putPerson(tomas, PIN);
    expect(await codeOf(await putPerson({ ...tomas, name: 'Tom Brandt' }))).toBe(
      'person.name_stays',
    );
  });

  test('the last owner neither leaves nor steps down', async () => {
    expect(await codeOf(await putPerson({ ...crew.owner, left_on: '2026-11-25' }))).toBe(
      'person.last_owner',
    );
    expect(await codeOf(await putPerson({ ...crew.owner, role: 'technician' }))).toBe(
      'person.last_owner',
    );
  });

  test('of two owners who remove each other one is left', async () => {
    const edda: Person = { ...crew.supervisor, role: 'owner' };
    await putPerson(edda, PIN);
    const other = from(server, await cookieOf(server.store, edda));
    const answers = await Promise.all([
      putPerson({ ...edda, left_on: '2026-11-25' }),
      other('PUT', `/people/${crew.owner.id}`, {
        person: { ...crew.owner, left_on: '2026-11-25' },
      }),
    ]);
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 403]);
  });
});

describe('roles decide', () => {
  test.each<[Person['role'], string, string, object, number]>([
    ['viewer', 'PUT', `/valves/${valve.id}`, { ...valve, name: 'Mine' }, 403],
    ['technician', 'PUT', `/valves/${valve.id}`, { ...valve, name: 'Mine' }, 200],
    [
      'technician',
      'PUT',
      `/valves/${valve.id}`,
      { ...valve, target: { ...valve.target, tolerance_pa: 1 } },
      403,
    ],
    [
      'technician',
      'PUT',
      `/valves/${valve.id}`,
      { ...valve, retired: { on: '2026-11-25', why: 'gone' } },
      403,
    ],
    [
      'supervisor',
      'PUT',
      `/valves/${valve.id}`,
      { ...valve, retired: { on: '2026-11-25', why: 'gone' } },
      200,
    ],
    ['technician', 'PUT', `/valves/${valve.id}`, { ...valve, duty: 'comfort' }, 403],
    ['technician', 'PUT', `/valves/${valve.id}`, { ...valve, visit_months: 240 }, 403],
    ['supervisor', 'PUT', `/valves/${valve.id}`, { ...valve, duty: 'comfort' }, 200],
    ['technician', 'POST', '/valves/import', { csv: 'tag' }, 403],
    ['supervisor', 'PUT', '/house-rules', {}, 403],
    ['supervisor', 'PUT', '/people/p', {}, 403],
    ['viewer', 'GET', '/people', {}, 200],
  ])('%s: %s %s', async (role, method, path, body, status) => {
    const ask = from(server, await cookieOf(server.store, crew[role]));
    const answer = await ask(method, path, method === 'GET' ? undefined : body);
    expect(answer.status).toBe(status);
    if (status === 403) expect(await codeOf(answer)).toBe('person.may_not');
  });

  test('nobody gets anywhere but to what is open', async () => {
    const nobody = await server.as('nobody');
    for (const path of ['/valves', '/sheets', '/runs', '/log', '/people', '/valves.csv'])
      expect((await nobody.get(path)).status).toBe(401);
    for (const path of ['/health', '/session', '/keys', '/openapi.json', '/schemas/sheet.v1.json'])
      expect((await nobody.get(path)).status).toBe(200);
    for (const name of ['__proto__', 'constructor', 'toString', 'sheet'])
      expect((await nobody.get(`/schemas/${name}`)).status).toBe(404);
    const stolen = from(server, 'holvek_session=guessed');
    expect((await stolen('GET', '/valves')).status).toBe(401);
  });

  test('what no line allows is allowed to nobody', () => {
    expect(actionOf('DELETE', '/valves/x')).toBeUndefined();
    expect(actionOf('POST', '/runs/a/b/events')).toBeUndefined();
    expect(actionOf('GET', '/anything')).toBe('look');
    expect(actionOf('POST', '/session')).toBe('open');
    expect(actionOf('GET', '/session/secret')).toBe('look');
  });
});

describe('whose entries are whose', () => {
  const post = (
    ask: (method: 'POST', path: string, body: unknown) => Promise<Response>,
    events: readonly RunEvent[],
    run = 'run-a',
  ) => ask('POST', `/runs/${run}/events`, { events });
  const { events } = wholeRun('run-a');

  test('nobody enters or signs as another', async () => {
    const edda = await server.as('supervisor');
    const answer = await post(edda.send, events);
    expect(answer.status).toBe(409);
    expect(await codeOf(answer)).toBe('entry.not_yours');
    expect((await server.get('/runs/run-a')).status).toBe(404);
  });

  test('one phone sends for all who are signed in on it, until it is taken from them', async () => {
    const { device } = events[0]!;
    const elsewhere = await server.as('supervisor');
    await cookieOf(server.store, crew.owner, device);
    // Who only knows what the other’s phone is called sends nothing in his name.
    expect(await codeOf(await post(elsewhere.send, events.slice(0, 3)))).toBe('entry.not_yours');
    const edda = from(server, await cookieOf(server.store, crew.supervisor, device));
    expect((await post(edda, events.slice(0, 3))).status).toBe(200);
    const all = (await (await server.get('/sessions')).json()) as PlaceOfSession[];
    const { id } = all.find((each) => each.device === device && each.person_id === crew.owner.id)!;
    await server.send('DELETE', `/sessions/${id}`);
    expect(await codeOf(await post(edda, events.slice(3, 5)))).toBe('entry.not_yours');
    // What was taken before stays, and who signs in on it anew goes on.
    await cookieOf(server.store, crew.owner, events[0]!.device);
    const stamped = events.slice(3, 5);
    expect((await post(server.send, stamped)).status).toBe(200);
  });

  test('under a signature stands the name of the one who signs', async () => {
    const others = events.map((event) =>
      event.type === 'signed' ? { ...event, name: 'Edda Lorenz', hash: undefined } : event,
    );
    const answer = await post(server.send, others as RunEvent[]);
    expect(await codeOf(answer)).toBe('entry.other_name');
  });

  test('who has a key signs with it, and with no other', async () => {
    const [key, other] = [await aKey(), await aKey()];
    const { device = '' } = events[0]!;
    await putPerson(crew.technician, PIN);
    const entered = await signInWith(key, device);
    const ask = from(server, cookieIn(entered));
    expect(((await (await ask('GET', '/session')).json()) as Session).key).toBe(key.name);
    const tomas = { author: 'Tomas Brandt' };
    const unsigned = sealEntries(
      events.slice(0, -1).map(({ hash: _, ...event }) => ({ ...event, ...tomas }) as RunEvent),
      device,
    );
    expect((await post(ask, unsigned)).status).toBe(200);
    const stamp = { id: 'sig', runId: 'run-a', ...tomas, device, atMs: events.at(-1)!.at_ms };
    const draft = { type: 'signed', name: 'Tomas Brandt', covers: 1 } as const;
    const signedBy = async (signer: Signer | undefined, over: object = {}) => {
      const entry = unwrap(await signedEntry(draft, stamp, unsigned, signer));
      const { hash: _, ...said } = { ...entry, ...over };
      return sealEntry(said as RunEvent);
    };
    const right = await signedBy(key);
    const wrong = [
      await signedBy(undefined),
      await signedBy(other),
      await signedBy(key, { at_ms: 5, id: 'later' }),
    ];
    for (const signature of wrong)
      expect(await codeOf(await post(ask, [signature]))).toBe('entry.other_key');
    const filed = (await (await post(ask, [right])).json()) as Ingested;
    expect(filed.sheetId).toBeDefined();
    const told = (await (await server.get(`/sheets/${filed.sheetId}/evidence`)).json()) as object;
    expect(told).toMatchObject({ key: key.name });
    expect((await server.get(`/valves/${valve.id}/verify`)).status).toBe(200);
  });

  test('a record that calls for a licence is begun and signed by who has it, as the owner asks', async () => {
    const rules = (kinds: readonly string[]) =>
      server.send('PUT', '/people-rules', { licences_asked: kinds });
    const plate = { ...valve.plate, family: 'gas' } as const;
    const start = events[0]! as EventOf<'started'>;
    const gas = { ...start, plate } as unknown as EventOf<'started'>;
    const day = new Date(start.at_ms).toISOString().slice(0, 10);
    const authors = (person: Person) =>
      new Authors(server.store.tables, {
        ...{ person: { ...person, name: start.author }, device: 'd', key: null },
      });
    const licensed = (valid_until: string): Person => ({
      ...crew.technician,
      licences: [{ kind: 'gas', number: '7', valid_until }],
    });
    const signature = { ...events.at(-1)!, name: start.author } as EventOf<'signed'>;
    const codesOf = async (person: Person) => [
      (await authors(person).trouble(gas, undefined))?.code,
      (await authors(person).trouble(signature, gas))?.code,
      (await authors(person).trouble(events[2]!, gas))?.code,
    ];
    const none = [undefined, undefined, undefined];
    const lacks = ['person.no_licence', 'person.no_licence', undefined];
    expect(await codesOf(crew.technician)).toEqual(lacks);
    expect(await codesOf(licensed(day))).toEqual(none);
    expect(await codesOf(licensed('2020-01-01'))).toEqual(lacks);
    const practice = { ...gas, purpose: 'practice' } as EventOf<'started'>;
    expect(await authors(crew.technician).trouble(practice, undefined)).toBeUndefined();
    expect((await rules([])).status).toBe(200);
    expect(await codesOf(crew.technician)).toEqual(none);
    expect(await (await server.get('/people-rules')).json()).toEqual({ licences_asked: [] });
    const supervisor = await server.as('supervisor');
    expect((await supervisor.send('PUT', '/people-rules', {})).status).toBe(403);
  });

  test('work is handed over to somebody of the house who may go on with it', async () => {
    const { store } = server;
    for (const role of ['supervisor', 'technician', 'viewer'] as const) await server.as(role);
    await store.tables.people.update(
      { body: JSON.stringify({ ...crew.technician, left_on: '2026-01-01' }) },
      { where: { id: crew.technician.id } },
    );
    const start = events[0]! as EventOf<'started'>;
    const practice = { ...start, purpose: 'practice' } as EventOf<'started'>;
    const sender = { person: { ...crew.owner, name: start.author }, device: 'd', key: null };
    const codeFor = async (to: string, run = start) =>
      (
        await new Authors(store.tables, sender).trouble(
          { ...start, type: 'handed_over', to } as unknown as RunEvent,
          run,
        )
      )?.code;
    expect(await codeFor(crew.supervisor.name)).toBeUndefined();
    expect(await codeFor('Nobody Known')).toBe('entry.no_such_hand');
    expect(await codeFor(crew.technician.name)).toBe('entry.no_such_hand');
    expect(await codeFor(crew.viewer.name)).toBe('entry.no_such_hand');
    expect(await codeFor(crew.viewer.name, practice)).toBeUndefined();
  });

  test('a viewer may practise, and make no record', async () => {
    const mira = { ...crew.viewer, name: 'Ines Varga' };
    await server.store.tables.people.update(
      { body: JSON.stringify({ ...crew.owner, role: 'viewer' }) },
      { where: { id: crew.owner.id } },
    );
    const ask = from(server, await cookieOf(server.store, { ...mira, id: 'p-mira' }));
    expect(await codeOf(await post(ask, events))).toBe('person.may_not');
    const practice = wholePractice('run-p').events;
    expect((await post(ask, practice, 'run-p')).status).toBe(200);
  });
});

describe('secrets', () => {
  test('are kept stretched, each with a salt of its own', async () => {
    const [one, two] = await Promise.all([keptSecret(PIN), keptSecret(PIN)]);
    expect(one).toMatch(/^scrypt\$32768\$8\$1\$/u);
    expect(one).not.toBe(two);
    expect(await isSecret(PIN, one)).toBe(true);
    expect(await isSecret(`${PIN} `, one)).toBe(false);
    expect(await isSecret(PIN, undefined)).toBe(false);
  });

  test('each wrong try beyond five doubles the wait, up to a quarter of an hour', () => {
    let now = 0;
    const tries = new Tries(() => now);
    const waits = Array.from({ length: 12 }, () => {
      tries.wrong('a');
      return tries.waitOf('a');
    });
    expect(waits).toEqual([0, 0, 0, 0, 30, 60, 120, 240, 480, 900, 900, 900]);
    expect(tries.waitOf('b')).toBe(0);
    now = 899_000;
    expect(tries.waitOf('a')).toBe(1);
    now = 900_000;
    expect(tries.waitOf('a')).toBe(0);
    now = 3_600_001;
    tries.wrong('a');
    expect(tries.waitOf('a')).toBe(0);
    for (let i = 0; i < 5; i++) tries.wrong('a');
    tries.right('a');
    expect(tries.waitOf('a')).toBe(0);
  });
});
