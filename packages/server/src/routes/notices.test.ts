import { noticeSchema, type Notice } from '@holvek/core';
import { codeOf, testServer, valve, type TestServer } from '../testing/server';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.store.close());

const notice = (over: Partial<Notice> = {}): Notice => ({
  id: 'n-1',
  valve_id: valve.id,
  text: 'Guns off until three',
  by: 'Ines',
  at_ms: 1000,
  ...over,
});

describe('words left on a valve', () => {
  test('are kept, changed and taken down, with every version in the history', async () => {
    expect((await server.send('PUT', '/notices/n-1', notice())).status).toBe(200);
    const down = notice({ taken_down: { by: 'Edda', at_ms: 2000 } });
    expect((await server.send('PUT', '/notices/n-1', down)).status).toBe(200);
    const all = noticeSchema.array().parse(await (await server.get('/notices')).json());
    expect(all).toEqual([down]);
    const kept = await server.store.tables.history.count({ where: { kind: 'notices', id: 'n-1' } });
    expect(kept).toBe(2);
  });

  test('are refused on a valve that is not there, under another id, and without words', async () => {
    const elsewhere = await server.send(
      'PUT',
      '/notices/n-2',
      notice({ id: 'n-2', valve_id: 'x' }),
    );
    expect([elsewhere.status, await codeOf(elsewhere)]).toEqual([422, 'valve.not_found']);
    expect(await codeOf(await server.send('PUT', '/notices/n-3', notice()))).toBe(
      'request.ids_differ',
    );
    expect((await server.send('PUT', '/notices/n-1', notice({ text: ' ' }))).status).toBe(400);
  });

  test('are a technician’s to leave, and for everybody of the house to read', async () => {
    const technician = await server.as('technician');
    expect((await technician.send('PUT', '/notices/n-4', notice({ id: 'n-4' }))).status).toBe(200);
    const viewer = await server.as('viewer');
    expect((await viewer.get('/notices')).status).toBe(200);
    const answer = await viewer.send('PUT', '/notices/n-4', notice({ id: 'n-4' }));
    expect([answer.status, await codeOf(answer)]).toEqual([403, 'person.may_not']);
    expect((await (await server.as('nobody')).get('/notices')).status).toBe(401);
  });
});
