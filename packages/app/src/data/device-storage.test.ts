import { openDeviceDb } from './device-db';
import { DeviceStorage, openHere } from './device-storage';

const next = () => new Promise((done) => setTimeout(done, 0));

describe('what a device keeps', () => {
  test('is said once it is open, and told to whoever listens', async () => {
    const heard: string[] = [];
    const storage = new DeviceStorage(() => openDeviceDb('storage-1'));
    storage.subscribe(() => heard.push(storage.snapshot()));
    expect(storage.snapshot()).toBe('opening');
    expect((await storage.db).name).toBe('storage-1');
    expect(heard).toEqual(['kept']);
  });

  test('a browser that keeps nothing is said, and nobody is let to work as if it did', async () => {
    const storage = new DeviceStorage(() => Promise.reject(new Error('denied')));
    let isOpen = false;
    void storage.db.then(() => (isOpen = true));
    await next();
    expect(await storage.ifKept).toBeUndefined();
    expect([storage.snapshot(), isOpen]).toEqual(['denied', false]);
  });

  test('what is taken away under the running page is said', async () => {
    let takeAway: () => void = () => undefined;
    const storage = new DeviceStorage((onGone) => {
      takeAway = onGone;
      return openDeviceDb('storage-2');
    });
    await storage.db;
    takeAway();
    expect(storage.snapshot()).toBe('gone');
  });

  test('a browser without any is denied', async () => {
    const { indexedDB: here } = globalThis;
    Reflect.deleteProperty(globalThis, 'indexedDB');
    await expect(openHere(() => undefined)).rejects.toThrow(/no IndexedDB/u);
    globalThis.indexedDB = here;
    expect((await openHere(() => undefined)).name).toBe('holvek');
  });
});
