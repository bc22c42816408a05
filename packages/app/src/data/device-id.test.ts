import { openDeviceDb } from './device-db';
import { deviceId } from './device-id';

test('a device calls itself the same for ever, and no other device does', async () => {
  const db = await openDeviceDb('id-here');
  const made = await deviceId(db);
  expect(made).toMatch(/^\S{8,}$/u);
  expect(await deviceId(db)).toBe(made);
  expect(await deviceId(await openDeviceDb('id-there'))).not.toBe(made);
});
