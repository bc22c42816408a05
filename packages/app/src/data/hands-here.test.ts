import 'fake-indexeddb/auto';
import type { Person } from '@holvek/core';
import { webcrypto } from 'node:crypto';
import { openDeviceDb } from './device-db';
import { HandsHere } from './hands-here';

const DAY = 86_400_000;
const START = Date.parse('2026-11-02T08:00:00Z');
const person = (short: string, name: string): Person => ({
  id: `p-${short}`,
  name,
  short,
  role: 'technician',
  licences: [],
});
const tomas = person('tomas', 'Tomas Brandt');
const ines = person('ines', 'Ines Falk');

/** The page of a test has no WebCrypto of its own. */
const withKeys = (subtle: unknown) =>
  Object.defineProperty(globalThis.crypto, 'subtle', { value: subtle, configurable: true });
beforeEach(() => void withKeys(webcrypto.subtle));

let count = 0;
/** A phone of its own, whose clock stands where it is put. */
function phone() {
  const db = openDeviceDb(`hands-${count++}`);
  const clock = { now: START };
  const open = () => new HandsHere(db, () => clock.now, 1000);
  return { clock, hands: open(), open, db };
}
const codeOf = (tried: Promise<unknown>) =>
  tried.then(
    () => 'let in',
    (error: { readonly code: string }) => error.code,
  );

describe('hands that a phone knows again', () => {
  test('come in by their own PIN, each under his own name, after a new start too', async () => {
    const { hands, open, db } = phone();
    await hands.remember(tomas, '593712');
    await hands.remember(ines, '820164');
    expect((await open().people()).map(({ name }) => name)).toEqual(['Ines Falk', 'Tomas Brandt']);
    expect(await open().unlock('tomas', '593712')).toEqual(tomas);
    expect(await open().unlock('ines', '820164')).toEqual(ines);
    expect(await codeOf(hands.unlock('ines', '593712'))).toBe('person.wrong_secret');
    expect(await codeOf(hands.unlock('mira', '593712'))).toBe('person.not_known_here');
    // Nothing of what was typed is kept.
    expect(JSON.stringify(await (await db).getAll('cache'))).not.toMatch(/593712|820164/u);
  });

  test('after five wrong tries wait longer and longer, whatever is loaded anew', async () => {
    const { clock, hands, open } = phone();
    await hands.remember(tomas, '593712');
    for (let i = 0; i < 5; i++)
      expect(await codeOf(hands.unlock('tomas', 'wrong!'))).toBe('person.wrong_secret');
    await expect(open().unlock('tomas', '593712')).rejects.toMatchObject({
      code: 'person.try_later',
      detail: { seconds: 30 },
    });
    clock.now += 29_000;
    expect(await codeOf(open().unlock('tomas', '593712'))).toBe('person.try_later');
    clock.now += 1000;
    expect(await codeOf(open().unlock('tomas', '593712'))).toBe('let in');
    // Who was right begins anew.
    expect(await codeOf(hands.unlock('tomas', 'wrong!'))).toBe('person.wrong_secret');
    expect(await codeOf(hands.unlock('tomas', '593712'))).toBe('let in');
  });

  test('are told of a wrong PIN as of a session that is none', async () => {
    const { hands } = phone();
    await hands.remember(tomas, '593712');
    await expect(hands.unlock('tomas', '000000')).rejects.toMatchObject({
      status: 401,
      code: 'person.wrong_secret',
    });
  });

  test('are known for thirty days, and not by a clock that was set back', async () => {
    const { clock, hands } = phone();
    await hands.remember(tomas, '593712');
    clock.now = START + 30 * DAY;
    expect(await codeOf(hands.unlock('tomas', '593712'))).toBe('let in');
    clock.now += 1;
    expect(await codeOf(hands.unlock('tomas', '593712'))).toBe('person.not_known_here');
    expect(await hands.people()).toEqual([]);
    clock.now = START - 1;
    expect(await codeOf(hands.unlock('tomas', '593712'))).toBe('person.not_known_here');
  });

  test('have the licences that the server said last, and no later day for it', async () => {
    const { clock, hands } = phone();
    await hands.remember(tomas, '593712');
    expect(await codeOf(hands.unlock('tomas', 'wrong!'))).toBe('person.wrong_secret');
    clock.now += 20 * DAY;
    const licensed: Person = {
      ...tomas,
      licences: [{ kind: 'gas', number: 'LH 7', valid_until: '2099-12-31' }],
    };
    expect(await hands.renew(licensed)).toBe(true);
    expect(await hands.renew(licensed)).toBe(false);
    expect(await hands.renew(ines)).toBe(false);
    expect(await hands.people()).toEqual([licensed]);
    expect(await hands.unlock('tomas', '593712')).toEqual(licensed);
    clock.now += 11 * DAY;
    expect(await codeOf(hands.unlock('tomas', '593712'))).toBe('person.not_known_here');
  });

  test('are all kept where two pages of one phone keep one at once', async () => {
    const { hands, open } = phone();
    await Promise.all([hands.remember(tomas, '593712'), open().remember(ines, '820164')]);
    await Promise.all([hands.unlock('tomas', '593712'), open().unlock('ines', '820164')]);
    expect((await open().people()).map(({ name }) => name)).toEqual(['Ines Falk', 'Tomas Brandt']);
  });

  test('are forgotten by name; a new PIN takes the place of the old', async () => {
    const { hands } = phone();
    await hands.remember(tomas, '593712');
    await hands.remember(ines, '820164');
    await hands.remember(tomas, '775533');
    expect(await codeOf(hands.unlock('tomas', '593712'))).toBe('person.wrong_secret');
    expect(await codeOf(hands.unlock('tomas', '775533'))).toBe('let in');
    await hands.forget('Tomas Brandt');
    expect(await hands.people()).toEqual([ines]);
  });

  test('are nobody where the page is not secure: it could sign nothing either', async () => {
    const { hands } = phone();
    withKeys(undefined);
    await hands.remember(tomas, '593712');
    expect(await hands.people()).toEqual([]);
    withKeys(webcrypto.subtle);
    await hands.remember(tomas, '593712');
    withKeys(undefined);
    await expect(hands.unlock('tomas', '593712')).rejects.toMatchObject({
      status: 401,
      code: 'person.not_known_here',
    });
  });

  test('are nobody where the browser keeps nothing', async () => {
    const hands = new HandsHere(Promise.resolve(undefined));
    await hands.remember(tomas, '593712');
    expect(await codeOf(hands.unlock('tomas', '593712'))).toBe('person.not_known_here');
  });
});
