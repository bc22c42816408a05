import { siteSchema, roundSchema, type Round } from '@holvek/core';
import { codeOf, testServer, valve, type TestServer } from '../testing/server';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.store.close());

const round = (over: Partial<Round> = {}): Round => ({
  id: 'r1',
  name: 'Hill round',
  site_id: 'larkhollow',
  day: '2026-11-24',
  valve_ids: [valve.id],
  why_this_order: 'Highest first.\nUpstream before downstream.',
  ...over,
});
const put = (value: unknown, id = 'r1') => server.send('PUT', `/rounds/${id}`, value);
const all = async () => roundSchema.array().parse(await (await server.get('/rounds')).json());

describe('rounds', () => {
  test('are kept side by side, each as it was given', async () => {
    expect((await put(round())).status).toBe(200);
    expect(
      (await put(round({ id: 'r2', name: 'From a ladder', system_id: 'unit' }), 'r2')).status,
    ).toBe(200);
    expect(await all()).toEqual([
      round(),
      round({ id: 'r2', name: 'From a ladder', system_id: 'unit' }),
    ]);
  });

  test('take a new order, and are archived, never lost', async () => {
    await put(round({ valve_ids: ['b', valve.id], archived: true }));
    const [first] = await all();
    expect(first).toMatchObject({ archived: true, valve_ids: ['b', valve.id] });
    expect(await all()).toHaveLength(2);
  });

  test.each<[string, unknown, number]>([
    ['no name', round({ name: '' }), 400],
    ['a day that is none', round({ day: 'tomorrow' }), 400],
    [
      'more valves than a day has',
      round({ valve_ids: Array.from({ length: 201 }, (_, i) => `v${i}`) }),
      400,
    ],
    ['a reason as long as a book', round({ why_this_order: 'x'.repeat(5000) }), 400],
    ['another id', round({ id: 'r9' }), 400],
    ['a list', [round()], 400],
  ])('with %s are refused', async (_, value, status) => {
    const answer = await put(value);
    expect(answer.status).toBe(status);
    expect(await codeOf(answer)).toMatch(/^request\./);
    expect(await all()).toHaveLength(2);
  });
});

describe('sites', () => {
  test('are listed with the altitude that gives their barometer', async () => {
    await server.store.write((tables) =>
      tables.sites.create({
        id: 's',
        body: JSON.stringify({ id: 's', name: 'Hill', altitude_m: 1240 }),
      }),
    );
    const sites = siteSchema.array().parse(await (await server.get('/sites')).json());
    expect(sites).toEqual([{ id: 's', name: 'Hill', altitude_m: 1240 }]);
  });
});
