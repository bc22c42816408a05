import { createApp } from '../app';
import { openStore, type Store } from '../db/open';
import { ownNames } from './own-names';

let store: Store;
beforeAll(async () => {
  store = await openStore(':memory:');
});
afterAll(() => store.close());

const asked = (headers: Record<string, string>, init: RequestInit = {}, path = '/api/health') =>
  createApp(store, { fontFolder: '', hosts: ownNames('127.0.0.1', 'valves.example') }).request(
    path,
    { ...init, headers: { 'content-type': 'application/json', ...headers } },
  );

describe('whom the server answers', () => {
  test.each([
    ['localhost:8140', 200],
    ['127.0.0.1', 200],
    ['Valves.Example:443', 200],
    ['rebound.example:8140', 421],
    ['127.0.0.1.rebound.example', 421],
    ['', 421],
  ])('called %j it says %i', async (host, status) => {
    expect((await asked({ host })).status).toBe(status);
  });

  test('a page of another house may neither write nor open a line', async () => {
    const host = 'localhost:8140';
    const write = { method: 'PUT', body: '{}' };
    const from = async (origin: string, init: RequestInit, path = '/api/house-rules') =>
      (await asked({ host, origin }, init, path)).status;
    expect(await from('http://elsewhere.example', write)).toBe(403);
    expect(await from('http://localhost:9999', write)).toBe(403);
    expect(await from('null', write)).toBe(403);
    // Past this door; at the next one it is asked who it is.
    expect(await from('http://localhost:8140', write)).toBe(401);
    const line = await asked(
      { host, origin: 'http://elsewhere.example', upgrade: 'websocket' },
      {},
      '/api/device',
    );
    expect(line.status).toBe(403);
    expect(await line.json()).toMatchObject({ error: { code: 'request.foreign_origin' } });
  });

  test('nothing of the record is kept by a browser or a proxy', async () => {
    const answer = await asked({ host: 'localhost' }, {}, '/api/valves');
    expect(answer.headers.get('cache-control')).toBe('no-store');
    const policy = answer.headers.get('content-security-policy')!;
    for (const rule of ["base-uri 'self'", "form-action 'self'", "object-src 'none'"])
      expect(policy).toContain(rule);
  });

  test('a page reaches its own server, a bridge on its own machine, and those that the house names', async () => {
    const policyOf = async (bridges?: string[]) => {
      const app = createApp(store, { fontFolder: '', ...(bridges ? { bridges } : {}) });
      const { headers } = await app.request('/api/valves', { headers: { host: 'localhost' } });
      return headers.get('content-security-policy')!;
    };
    const here = "connect-src 'self' ws://localhost:8145 ws://127.0.0.1:8145";
    expect(await policyOf()).toContain(`${here};`);
    expect(await policyOf(['wss://pit.lan:8145'])).toContain(`${here} wss://pit.lan:8145;`);
  });

  test.each(['/api/runs/a%00b', '/api/runs/a%1Fb', '/api/valves/%7f', '/api/log?after=%0A'])(
    'what cannot be a name is asked for by nobody: %s',
    async (path) => {
      const answer = await asked({ host: 'localhost' }, {}, path);
      expect(answer.status).toBe(400);
      expect(await answer.json()).toEqual({ error: { code: 'request.unreadable' } });
    },
  );

  test('any other letter is one', async () => {
    // Past this door; at the next one it is asked who it is.
    for (const path of ['/api/runs/a%20b', '/api/runs/%E2%82%AC', '/api/runs/%', '/api/runs/%8F'])
      expect((await asked({ host: 'localhost' }, {}, path)).status).toBe(401);
  });

  test('listening on every address, it goes by each of them', () => {
    const { length } = ownNames('10.0.0.7');
    expect(ownNames('0.0.0.0').length).toBeGreaterThan(length);
    expect(ownNames('10.0.0.7')).toEqual(['localhost', '127.0.0.1', '[::1]', '10.0.0.7']);
    expect(ownNames('127.0.0.1', ' A.example, ,b.example')).toEqual(
      expect.arrayContaining(['a.example', 'b.example']),
    );
  });
});
