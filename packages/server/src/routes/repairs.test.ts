import { asRecord, repairSchema, type Ingested, type Repair, type Sheet } from '@holvek/core';
import { codeOf, now, testServer, valve, wholePractice, type TestServer } from '../testing/server';

let server: TestServer;
beforeEach(async () => {
  server = await testServer();
});
afterEach(() => server.store.close());

const repair = (over: Partial<Repair> = {}): Repair => ({
  id: 'repair-1',
  valve_id: valve.id,
  at_ms: now - 1000,
  by: 'Tomas Brandt',
  found: 'Diaphragm torn at its edge',
  parts: ['diaphragm', 'seals'],
  parts_due_on: '2029-11-01',
  ...over,
});
const put = (value: Repair, id = value.id) => server.send('PUT', `/repairs/${id}`, value);
const all = async () => repairSchema.array().parse(await (await server.get('/repairs')).json());

describe('repairs', () => {
  test('are kept as they were noted, corrected in place, and every version in the history', async () => {
    expect((await put(repair())).status).toBe(200);
    expect((await put(repair({ note: 'Seat lapped' }))).status).toBe(200);
    expect(await all()).toEqual([repair({ note: 'Seat lapped' })]);
    expect(await server.store.tables.history.count({ where: { kind: 'repairs' } })).toBe(2);
  });

  test.each<[string, Repair, string | undefined, number, string]>([
    [
      'a valve that is not there',
      repair({ valve_id: 'prv-99' }),
      undefined,
      422,
      'valve.not_found',
    ],
    ['another id', repair(), 'repair-2', 400, 'request.ids_differ'],
    [
      'a part that is none',
      repair({ parts: ['wheel' as never] }),
      undefined,
      400,
      'request.invalid',
    ],
    ['nothing found', repair({ found: ' ' }), undefined, 400, 'request.invalid'],
    ['nobody', repair({ by: '' }), undefined, 400, 'request.invalid'],
    ['a day that is none', repair({ parts_due_on: 'soon' }), undefined, 400, 'request.invalid'],
  ])('of %s are refused', async (_, value, id, status, code) => {
    const answer = await put(value, id);
    expect([answer.status, await codeOf(answer)]).toEqual([status, code]);
    expect(await all()).toEqual([]);
  });

  test('stay with their valve', async () => {
    await put(repair());
    await server.send('PUT', '/valves/other', { ...valve, id: 'other', tag: 'PRV-77' });
    expect(await codeOf(await put(repair({ valve_id: 'other' })))).toBe('repair.other_valve');
    expect((await all())[0]!.valve_id).toBe(valve.id);
  });

  const file = async (answers_repair: { id: string; at_ms: number }) => {
    const { events: practised } = wholePractice('run-a');
    const events = asRecord(
      practised.map((event) => (event.type === 'started' ? { ...event, answers_repair } : event)),
    );
    return server.send('POST', '/runs/run-a/events', { events });
  };

  test('are named on the sheet that proves the valve anew', async () => {
    await put(repair());
    const answer = await file({ id: 'repair-1', at_ms: now - 1000 });
    const { sheetId } = (await answer.json()) as Ingested;
    const sheet = (await (await server.get(`/sheets/${sheetId}`)).json()) as Sheet;
    expect(sheet.body.answers_repair).toEqual({ id: 'repair-1', at_ms: now - 1000 });
  });

  test.each([
    ['was never noted', { id: 'repair-9', at_ms: now - 1000 }],
    ['was done at another time', { id: 'repair-1', at_ms: now }],
  ])('a run that answers one which %s does not begin', async (_, named) => {
    await put(repair());
    expect(await codeOf(await file(named))).toBe('repair.never_so');
    expect(await server.store.tables.sheets.count()).toBe(0);
  });

  test('a run that answers the repair of another valve does not begin', async () => {
    await server.send('PUT', '/valves/other', { ...valve, id: 'other', tag: 'PRV-77' });
    await put(repair({ valve_id: 'other' }));
    const answer = await file({ id: 'repair-1', at_ms: now - 1000 });
    expect(await codeOf(answer)).toBe('repair.never_so');
  });
});
