import { deviceSigner, makeDeviceKey, proofDigest, type Signer } from '@holvek/core';
import { openStore, type Store } from '../db/open';
import { crew, testServer } from '../testing/server';
import { keepPerson } from '../routes/people';
import { Challenges } from './challenges';
import { provedPlace } from './device-proof';
import { keptSecret } from './secret';
import { Doorkeeper, endSessions, idOfToken, openSession } from './sessions';
import { Tries } from './tries';

const MINUTE_MS = 60_000;
const DAY_MS = 24 * 60 * MINUTE_MS;

describe('what is handed out to be signed', () => {
  test('is kept for ten thousand; the oldest of more gives way, and no other', () => {
    const challenges = new Challenges();
    const texts = Array.from({ length: 10_000 }, () => challenges.make());
    const one = challenges.make();
    expect(challenges.take(texts[0]!)).toBe(false);
    expect([texts[1]!, texts.at(-1)!, one].map((text) => challenges.take(text))).toEqual([
      true,
      true,
      true,
    ]);
  });

  test('is good for ten minutes, and once', () => {
    let now = 1000;
    const challenges = new Challenges(() => now);
    const [first, second] = [challenges.make(), challenges.make()];
    now += 10 * MINUTE_MS;
    expect([challenges.take(first), challenges.take(first)]).toEqual([true, false]);
    now += 1;
    expect(challenges.take(second)).toBe(false);
  });
});

describe('names that were tried wrong', () => {
  test('are remembered up to ten thousand; what was tried longest ago is let go', () => {
    const tries = new Tries(() => 0);
    const locked = (name: string) => {
      for (let i = 0; i < 5; i++) tries.wrong(name);
    };
    for (const name of ['first', 'second']) locked(name);
    for (let i = 0; i < 9_998; i++) tries.wrong(`other ${i}`);
    expect(tries.waitOf('first')).toBe(30);
    tries.wrong('one more');
    expect([tries.waitOf('first'), tries.waitOf('second')]).toEqual([0, 30]);
  });
});

test('a secret has a salt of 128 bits', async () => {
  const [, , , , salt] = (await keptSecret('593712')).split('$');
  expect(Buffer.from(salt!, 'base64url')).toHaveLength(16);
});

describe('at the door', () => {
  let store: Store;
  beforeEach(async () => {
    store = await openStore(':memory:');
    await keepPerson(store.tables, crew.technician);
  });
  afterEach(() => store.close());

  const { subtle } = globalThis.crypto;
  const aKey = async (): Promise<Signer> => deviceSigner(subtle, await makeDeviceKey(subtle));

  test('a device comes in by its own key alone, and what is refused says which way', async () => {
    const challenges = new Challenges();
    const proofOf = async (signer: Signer) => {
      const challenge = challenges.make();
      const signature = await signer.sign(proofDigest(challenge, 'phone'));
      return { challenge, signature, key: signer.publicKey };
    };
    const [own, other] = [await aKey(), await aKey()];
    const place = await provedPlace(
      store.tables,
      { device: 'phone', called: 'one', proof: await proofOf(own) },
      challenges,
    );
    await openSession(store.tables, crew.technician.id, place);
    const again = (proof?: Awaited<ReturnType<typeof proofOf>>) =>
      provedPlace(store.tables, { device: 'phone', called: '', proof }, challenges);
    expect((await again(await proofOf(own))).key).toEqual(own.publicKey);
    await expect(again(await proofOf(other))).rejects.toMatchObject({
      status: 409,
      code: 'device.other_key',
    });
    await expect(again()).rejects.toMatchObject({ status: 409 });
    const used = await proofOf(own);
    await again(used);
    await expect(again(used)).rejects.toMatchObject({ status: 401, code: 'device.not_proved' });
  });

  test('when somebody was here last is known to ten minutes', async () => {
    let now = 1_000_000;
    const doorkeeper = new Doorkeeper(store, () => now);
    const place = { device: 'phone', called: '' };
    const token = await openSession(store.tables, crew.technician.id, place, now);
    const seen = async () =>
      (await store.tables.sessions.findByPk(idOfToken(token), { raw: true }))!.seen_ms;
    now += 10 * MINUTE_MS;
    expect((await doorkeeper.whose(token))?.person.short).toBe(crew.technician.short);
    expect(await seen()).toBe(1_000_000);
    now += 1;
    await doorkeeper.whose(token);
    expect(await seen()).toBe(now);
    now += 9 * MINUTE_MS;
    await doorkeeper.whose(token);
    expect(await seen()).toBe(now - 9 * MINUTE_MS);
  });

  test('who was seen within thirty days is still here, and for half a year at most', async () => {
    let now = 1_000_000;
    const doorkeeper = new Doorkeeper(store, () => now);
    const place = { device: 'phone', called: '' };
    const token = await openSession(store.tables, crew.technician.id, place, now);
    for (let month = 1; month <= 6; month++) {
      now += 30 * DAY_MS;
      expect(await doorkeeper.whose(token)).toBeDefined();
    }
    now += 1;
    expect(await doorkeeper.whose(token)).toBeUndefined();
  });

  test('who has left, and whose session was ended, is nobody', async () => {
    const place = { device: 'phone', called: '' };
    const token = await openSession(store.tables, crew.technician.id, place);
    await keepPerson(store.tables, { ...crew.technician, left_on: '2026-11-01' });
    expect(await new Doorkeeper(store).whose(token)).toBeUndefined();
    await keepPerson(store.tables, crew.technician);
    expect(await new Doorkeeper(store).whose(token)).toBeDefined();
    await endSessions(store.tables, { person_id: crew.technician.id });
    const row = await store.tables.sessions.findByPk(idOfToken(token), { raw: true });
    expect(row).toMatchObject({ revoked: 0, ended_ms: expect.any(Number) });
    expect(await new Doorkeeper(store).whose(token)).toBeUndefined();
  });
});

test('a way that is not there is not there for who has signed in', async () => {
  const server = await testServer();
  const answer = await server.send('POST', '/valves/prv-07/elsewhere', {});
  expect([answer.status, await answer.json()]).toEqual([
    404,
    { error: { code: 'request.no_such_path' } },
  ]);
  await server.store.close();
});
