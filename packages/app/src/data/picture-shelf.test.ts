import { openDeviceDb, type DeviceDb } from './device-db';
import { NoRoom, PictureShelf } from './picture-shelf';

const bytes = new Uint8Array([1, 2, 3]).buffer;
// printf '\x01\x02\x03' | sha256sum
const name = '039058c6f2c0cb492c533b0a4d14ef77cc0f78abccced5287d84a1a2011cfb81';
let names = 0;
const freshDb = () => openDeviceDb(`pictures-${String(++names)}`);

describe('pictures that wait', () => {
  test('are named by what they are, outlive a restart, go to the server, and are let go of', async () => {
    const sent: [string, number][] = [];
    const put = (of: string, file: ArrayBuffer) => {
      sent.push([of, file.byteLength]);
      return Promise.resolve();
    };
    const db = freshDb();
    expect(await new PictureShelf(db, put).hold(bytes)).toBe(name);
    const again = new PictureShelf(db, put);
    await again.send(name);
    expect(sent).toEqual([[name, 3]]);
    await again.letGo(name);
    await again.send(name);
    expect(sent).toHaveLength(1);
    expect(await again.held(name)).toBeUndefined();
  });

  test('stay where the server does not take them', async () => {
    const shelf = new PictureShelf(freshDb(), () => Promise.reject(new Error('no network')));
    await shelf.hold(bytes);
    await expect(shelf.send(name)).rejects.toThrow('no network');
    expect((await shelf.held(name))?.byteLength).toBe(3);
  });

  test('a full phone keeps nothing of one, and says so', async () => {
    const full = { put: () => Promise.reject(new Error('quota')), get: () => undefined };
    const shelf = new PictureShelf(Promise.resolve(full as unknown as DeviceDb), () =>
      Promise.resolve(),
    );
    await expect(shelf.hold(bytes)).rejects.toThrow(NoRoom);
    expect(await shelf.held(name)).toBeUndefined();
  });

  test('a browser that keeps nothing holds one while its page lives', async () => {
    const sent: string[] = [];
    const shelf = new PictureShelf(Promise.resolve(undefined), (of) => {
      sent.push(of);
      return Promise.resolve();
    });
    await shelf.hold(bytes);
    await shelf.send(name);
    expect(sent).toEqual([name]);
  });
});
