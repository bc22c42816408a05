import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { peopleOf } from '../people/sessions';
import { testServer } from '../testing/server';
import { LarkhollowBeside } from './beside';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'holvek-beside-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** A stand-in for the server: it writes down what it was told, and says what a server says. */
const program = (says: string): string => {
  const file = join(folder, 'program.mjs');
  writeFileSync(
    file,
    `import { appendFileSync } from 'node:fs';
     appendFileSync(${JSON.stringify(join(folder, 'told.jsonl'))}, JSON.stringify(process.env) + '\\n');
     ${says}`,
  );
  return file;
};
const LISTENS = "console.log('Holvek is ready at http://x'); setInterval(() => 0, 1000);";
const told = (): readonly Record<string, string>[] =>
  readFileSync(join(folder, 'told.jsonl'), 'utf8')
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Record<string, string>);
const beside = (says: string, port = 48_150) =>
  new LarkhollowBeside({
    file: join(folder, 'register.sqlite'),
    host: '127.0.0.1',
    port,
    env: {
      ...process.env,
      FIRST_CODE: 'OF-THE-HOUSE',
      METRICS_TOKEN: 'secret',
      BACKUPS: 'here',
      TLS_CERT: 'cert.pem',
    },
    program: program(says),
  });

describe('a Larkhollow beside a house', () => {
  test('is a server of its own, over a database of its own, told nothing of the house but the way back', async () => {
    const demo = beside(LISTENS);
    const port = await demo.open();
    const [env] = told();
    expect(env).toMatchObject({
      DATA: join(folder, 'larkhollow', 'holvek.sqlite'),
      PORT: `${port}`,
      SEED: 'demo',
      BACKUPS: 'off',
      LARKHOLLOW: 'off',
      HOME_PORT: '48150',
      // Its certificate holds for the machine, whatever the port.
      TLS_CERT: 'cert.pem',
    });
    expect(env).not.toHaveProperty('FIRST_CODE');
    expect(env).not.toHaveProperty('METRICS_TOKEN');
    expect(port).toBeGreaterThan(48_150);
    demo.close();
  });

  test('is started once for all who ask, at the next port that is free', async () => {
    const taken = createServer();
    await new Promise<void>((done) => {
      taken.listen(48_261, '127.0.0.1', done);
    });
    const demo = beside(LISTENS, 48_260);
    const ports = await Promise.all([demo.open(), demo.open(), demo.open()]);
    expect(new Set(ports)).toEqual(new Set([48_262]));
    expect(told()).toHaveLength(1);
    demo.close();
    await new Promise((done) => {
      taken.close(done);
    });
  });

  test('that ends before it listens says why, and is started again by the next who asks', async () => {
    const demo = beside("console.error('no room'); process.exit(1);", 48_370);
    await expect(demo.open()).rejects.toThrow('no room');
    await expect(demo.open()).rejects.toThrow('no room');
    expect(told()).toHaveLength(2);
  });

  test('is trusted by whoever trusts the house', async () => {
    mkdirSync(join(folder, 'keys'));
    writeFileSync(join(folder, 'keys', 'authority.json'), '{"of":"the house"}');
    const demo = beside(LISTENS, 48_480);
    await demo.open();
    const own = join(folder, 'larkhollow', 'keys', 'authority.json');
    expect(existsSync(own) && readFileSync(own, 'utf8')).toBe('{"of":"the house"}');
    demo.close();
  });
});

describe('the way to it', () => {
  const larkhollow = { open: jest.fn(async () => 8151) };

  test('is open to anybody while the house has no owner, then to who belongs to it', async () => {
    const server = await testServer(':memory:', { larkhollow });
    const { tables } = server.store;
    const owner = (await peopleOf(tables)).find(({ role }) => role === 'owner')!;
    await tables.secrets.upsert({ person_id: owner.id, body: 'kept' });
    const nobody = await server.as('nobody');
    expect((await nobody.send('POST', '/larkhollow', {})).status).toBe(401);
    expect(larkhollow.open).not.toHaveBeenCalled();
    const viewer = await server.as('viewer');
    expect(await (await viewer.send('POST', '/larkhollow', {})).json()).toEqual({ port: 8151 });
    await tables.secrets.destroy({ where: {} });
    expect((await nobody.send('POST', '/larkhollow', {})).status).toBe(200);
  });

  test('is told with the session, as is the way back; a house without one says so', async () => {
    const offered = await testServer(':memory:', { larkhollow });
    expect(await (await offered.get('/session')).json()).toMatchObject({ has_larkhollow: true });
    const demo = await testServer(':memory:', { homePort: 8150 });
    expect(await (await demo.get('/session')).json()).toMatchObject({ home_port: 8150 });
    const answer = await demo.send('POST', '/larkhollow', {});
    expect([answer.status, await answer.json()]).toMatchObject([
      422,
      { error: { code: 'larkhollow.off' } },
    ]);
  });
});
