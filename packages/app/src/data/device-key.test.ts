/** @jest-environment node */
import { checkWith } from '@holvek/core';
import { deviceKey } from './device-key';
import { openDeviceDb } from './device-db';

describe('the key of a device', () => {
  test('is made once, and signs what it is given', async () => {
    const db = await openDeviceDb('device-key-1');
    const [first, again] = [(await deviceKey(db))!, (await deviceKey(db))!];
    expect(again.name).toBe(first.name);
    const check = checkWith(globalThis.crypto.subtle);
    const signature = await again.sign('ab12');
    expect(await check(first.publicKey, 'ab12', signature)).toBe(true);
    expect(await check(first.publicKey, 'ab13', signature)).toBe(false);
    expect((await deviceKey(await openDeviceDb('device-key-2')))!.name).not.toBe(first.name);
  });

  test('its private part is read by nobody', async () => {
    const db = await openDeviceDb('device-key-1');
    await deviceKey(db);
    const kept = (await db.get('cache', 'device_key')) as { privateKey: CryptoKey };
    expect(kept.privateKey.extractable).toBe(false);
    await expect(crypto.subtle.exportKey('jwk', kept.privateKey)).rejects.toThrow(/extract/u);
  });

  test('is none where the page is not safe enough to have one', async () => {
    const hidden = jest.spyOn(globalThis.crypto, 'subtle', 'get');
    hidden.mockReturnValue(undefined as never);
    expect(await deviceKey(await openDeviceDb('device-key-3'))).toBeUndefined();
    hidden.mockRestore();
  });
});
