import { createApp } from '../app';
import { openStore } from '../db/open';
import { crew, cookieOf, testServer, valve, type TestServer } from '../testing/server';
import { openDiary, withoutValues } from './diary';

let server: TestServer;
beforeEach(async () => {
  server = await testServer();
});
afterEach(() => server.store.close());

/** A diary, and what stands in it. */
function diaryHere(isWhole = false) {
  const lines: Record<string, unknown>[] = [];
  const write = (line: string) => void lines.push(JSON.parse(line) as Record<string, unknown>);
  return { diary: openDiary(isWhole, { write }), lines };
}

describe('what the server writes down', () => {
  const line = { id: 'r1', method: 'GET', route: '/api/valves/:id', status: 200, ms: 999 };

  test('is what failed or was slow; every request only where it is asked for', () => {
    const { diary, lines } = diaryHere();
    diary.request(line);
    diary.request({ ...line, ms: 1000 });
    diary.request({ ...line, status: 500 });
    expect(lines.map(({ msg, id }) => [msg, id])).toEqual([
      ['request was slow', 'r1'],
      ['request failed', 'r1'],
    ]);
    const whole = diaryHere(true);
    whole.diary.request(line);
    expect(whole.lines).toEqual([expect.objectContaining({ ...line, msg: 'request' })]);
  });

  test('names a route and no person, no valve and no search', async () => {
    const { diary, lines } = diaryHere(true);
    const app = createApp(server.store, { fontFolder: '', diary });
    const cookie = await cookieOf(server.store, crew.technician);
    const answer = await app.request(`/api/valves/${valve.id}?find=Brandt`, {
      headers: { cookie },
    });
    expect(answer.status).toBe(200);
    expect(lines).toHaveLength(1);
    expect(lines[0]).toMatchObject({ route: '/api/valves/:id', status: 200, method: 'GET' });
    expect(answer.headers.get('x-request-id')).toBe(lines[0]!['id']);
    expect(JSON.stringify(lines)).not.toMatch(/Brandt|tomas|prv-07/iu);
  });

  test('a fault is written with the request that it belongs to, and its answer tells nothing of it', async () => {
    const heard: [string, string | undefined][] = [];
    const app = createApp(server.store, {
      fontFolder: '',
      log: (error, id) => heard.push([(error as Error).message, id]),
    });
    server.store.tables.gauges.findAll = () => Promise.reject(new Error('secret of the house'));
    const answer = await app.request('/api/gauges', { headers: { cookie: server.cookie } });
    expect([answer.status, await answer.json()]).toEqual([
      500,
      { error: { code: 'server.fault' } },
    ]);
    expect(heard).toEqual([['secret of the house', answer.headers.get('x-request-id')]]);
  });

  test('a slow query without the values in it', () => {
    const { diary, lines } = diaryHere();
    diary.slowQuery("SELECT * FROM people WHERE tag = 'edda' LIMIT 20", 251);
    diary.slowQuery('SELECT 1', 249);
    expect(lines.map(({ sql }) => sql)).toEqual(['SELECT * FROM people WHERE tag = ? LIMIT ?']);
    expect(withoutValues("x = 'it''s me' AND y = 1.5")).toBe('x = ? AND y = ?');
    expect(withoutValues('x'.repeat(900))).toHaveLength(200);
  });

  test('a store tells of its queries, and how long they took', async () => {
    const heard: [string, number][] = [];
    const store = await openStore(':memory:', (sql, ms) => heard.push([sql, ms]));
    await store.tables.valves.count();
    await store.close();
    const [sql, ms] = heard.find(([each]) => each.includes('FROM `valves`'))!;
    expect(sql).toMatch(/count/u);
    expect(ms).toBeGreaterThanOrEqual(0);
  });
});

describe('figures for who watches from outside', () => {
  const token = 'larkhollow-watch';
  const app = () => createApp(server.store, { fontFolder: '', metricsToken: token });
  const ask = (of: ReturnType<typeof app>, authorization?: string) =>
    of.request('/metrics', authorization === undefined ? {} : { headers: { authorization } });

  test('are told in the usual format to who knows the token', async () => {
    const house = app();
    await house.request('/api/health');
    const answer = await ask(house, `Bearer ${token}`);
    expect(answer.headers.get('content-type')).toMatch(/^text\/plain; version=0\.0\.4/u);
    const text = await answer.text();
    expect(text).toMatch(/^holvek_valves 1$/mu);
    expect(text).toMatch(/^holvek_disk_has_room 1$/mu);
    expect(text).toMatch(
      /^holvek_request_seconds_count\{method="GET",route="\/api\/health",status="200"\} 1$/mu,
    );
  });

  test.each([undefined, '', 'Bearer', `Bearer ${token}x`, `Bearer ${token.slice(1)}x`, token])(
    'to nobody else: %s',
    async (authorization) => {
      expect((await ask(app(), authorization)).status).toBe(404);
    },
  );

  test('and to nobody at all where no token is set', async () => {
    const plain = createApp(server.store, { fontFolder: '' });
    expect((await ask(plain, 'Bearer undefined')).status).toBe(404);
  });
});
