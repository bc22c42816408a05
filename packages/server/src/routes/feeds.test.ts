import { feedSchema, newFeedSchema, type Feed, type FeedAbout, type NewFeed } from '@holvek/core';
import { keepPerson } from './people';
import { codeOf, testServer, valve, type TestServer } from '../testing/server';

let server: TestServer;
const planned = (person_id: string, valve_id = valve.id) => ({
  valve_id,
  day: '2026-12-03',
  person_id,
});
const elsewhere = { ...valve, id: 'v-gate', tag: 'PRV-99', place: 'Gatehouse, pit' };

beforeAll(async () => {
  server = await testServer();
  await server.send('PUT', `/valves/${elsewhere.id}`, elsewhere);
  await server.send('PUT', '/seasons/winter', {
    id: 'winter',
    name: 'Winter',
    site_id: 'larkhollow',
    from: '2026-11-23',
    weeks: 10,
    crew: [],
    closed: [],
    rules: [],
    around: 20,
    travel: { usual: 15, table: [] },
    plan: [planned('p1'), planned('p2', elsewhere.id)],
  });
});
afterAll(() => server.store.close());

type Hand = Pick<TestServer, 'get' | 'send'>;
const made = async (about: FeedAbout, by: Hand = server): Promise<NewFeed> => {
  const answer = await by.send('POST', '/feeds', { about });
  expect(answer.status).toBe(200);
  return newFeedSchema.parse(await answer.json());
};
const listed = async (by: Hand = server): Promise<readonly Feed[]> =>
  feedSchema.array().parse(await (await by.get('/feeds')).json());
/** As a calendar program asks: nobody has signed in. */
const read = (path: string) => server.app.request(path);
const tags = async ({ path }: NewFeed): Promise<readonly string[]> =>
  [...(await (await read(path)).text()).matchAll(/SUMMARY:(\S+)/gu)].map(([, tag]) => tag!.trim());

describe('a calendar by its address', () => {
  test('is read by whoever has it, and tells what it is about and nothing else', async () => {
    const all = await made({ kind: 'everybody' });
    const answer = await read(all.path);
    expect([answer.status, answer.headers.get('content-type')]).toEqual([
      200,
      'text/calendar; charset=utf-8',
    ]);
    expect(answer.headers.get('cache-control')).toBe('no-store');
    expect(await tags(all)).toEqual([valve.tag, elsewhere.tag]);
    expect(await tags(await made({ kind: 'person', person_id: 'p2' }))).toEqual([elsewhere.tag]);
    expect(await tags(await made({ kind: 'area', area: 'Gatehouse' }))).toEqual([elsewhere.tag]);
    expect(await tags(await made({ kind: 'area', area: 'Nowhere' }))).toEqual([]);
  });

  test('has an address that nobody guesses, told once: the house keeps its digest alone', async () => {
    const [one, two] = [await made({ kind: 'everybody' }), await made({ kind: 'everybody' })];
    const token = /([\w-]{43})\.ics$/u.exec(one.path)![1]!;
    expect(two.path).not.toContain(token);
    const kept = await server.store.tables.feeds.findAll({ raw: true });
    expect(JSON.stringify(kept)).not.toContain(token);
    expect(JSON.stringify(await listed())).not.toContain(token);
  });

  test('once ended is as one that never was', async () => {
    const feed = await made({ kind: 'everybody' });
    const ended = await server.send('DELETE', `/feeds/${feed.id}`);
    expect(
      feedSchema
        .array()
        .parse(await ended.json())
        .map(({ id }) => id),
    ).not.toContain(feed.id);
    const never = `/api/calendars/${'A'.repeat(43)}.ics`;
    for (const path of [feed.path, never, '/api/calendars/x.ics']) {
      const answer = await read(path);
      expect([answer.status, await codeOf(answer)]).toEqual([404, 'feed.not_found']);
    }
    expect((await server.send('DELETE', `/feeds/${feed.id}`)).status).toBe(404);
  });

  test('a technician makes one of his own days; of others’ only who plans', async () => {
    const technician = await server.as('technician');
    const session = (await (await technician.get('/session')).json()) as { person: { id: string } };
    const own = await made({ kind: 'person', person_id: session.person.id }, technician);
    expect((await listed(technician)).map(({ id }) => id)).toEqual([own.id]);
    for (const about of [{ kind: 'everybody' }, { kind: 'person', person_id: 'p1' }]) {
      const answer = await technician.send('POST', '/feeds', { about });
      expect([answer.status, await codeOf(answer)]).toEqual([403, 'person.may_not']);
    }
    const other = await made({ kind: 'everybody' });
    expect((await technician.send('DELETE', `/feeds/${other.id}`)).status).toBe(404);
    expect((await technician.send('DELETE', `/feeds/${own.id}`)).status).toBe(200);
    const nobody = await server.as('nobody');
    expect((await nobody.get('/feeds')).status).toBe(401);
    expect((await nobody.send('POST', '/feeds', { about: { kind: 'everybody' } })).status).toBe(
      401,
    );
  });

  test('of one who has left the house is dead', async () => {
    const supervisor = await server.as('supervisor');
    const { person } = (await (await supervisor.get('/session')).json()) as {
      person: Parameters<typeof keepPerson>[1];
    };
    const feed = await made({ kind: 'everybody' }, supervisor);
    expect((await read(feed.path)).status).toBe(200);
    await server.store.write((tables) => keepPerson(tables, { ...person, left_on: '2026-11-30' }));
    expect((await read(feed.path)).status).toBe(404);
  });
});
