import {
  freezeSheet,
  gaugeSchema,
  keptPictureSchema,
  photoSchema,
  unwrap,
  type Photo,
} from '@holvek/core';
import { createHash } from 'node:crypto';
import { readFileSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { codeOf, now, testServer, valve, wholePractice, type TestServer } from '../testing/server';
import { besideOf } from './beside';

let server: TestServer;
beforeEach(async () => {
  server = await testServer();
});
afterEach(async () => {
  await server.store.close();
  rmSync(server.store.pictures.folder, { recursive: true, force: true });
});

const nameOf = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');
const sheet = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#9aa' } });
const send = (bytes: Uint8Array, name = nameOf(bytes), cookie = server.cookie) =>
  server.app.request(`/api/pictures/${name}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/octet-stream', cookie },
    body: new Uint8Array(bytes),
  });
const photo = (picture: string, over: Partial<Photo> = {}): Photo => ({
  id: 'photo-1',
  valve_id: valve.id,
  shows: 'plate',
  picture,
  taken_at_ms: now,
  by: 'Tomas Brandt',
  ...over,
});
const put = (value: Photo, id = value.id) => server.send('PUT', `/photos/${id}`, value);

describe('a sheet that names pictures', () => {
  test('has the files of those that have come beside it, and no others', async () => {
    const sent = await sheet(40, 30).jpeg().toBuffer();
    const { name } = keptPictureSchema.parse(await (await send(sent)).json());
    const taken = { shows: 'left' as const, by: 'Tomas Brandt', at_ms: now };
    const named = [name, 'f'.repeat(64)].map((picture) => ({ ...taken, picture }));
    const body = { ...unwrap(freezeSheet(wholePractice('run-a').run, null)), pictures: named };
    const { pictures } = await besideOf(server.store, { id: 'x', hash: 'x', body });
    expect(Object.keys(pictures!)).toEqual([name]);
    expect((await sharp(Buffer.from(pictures![name]!)).metadata()).width).toBe(40);
  });
});

describe('a picture', () => {
  test('is kept upright and smaller, without what the camera wrote into it', async () => {
    const sent = await sheet(3200, 2000)
      .withExif({ IFD0: { Make: 'Camera of somebody' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    expect((await sharp(sent).metadata()).exif).toBeDefined();
    const answer = await send(sent);
    const kept = keptPictureSchema.parse(await answer.json());
    expect(kept).toEqual({ name: nameOf(sent), width: 1000, height: 1600 });
    const whole = await server.get(`/pictures/${kept.name}`);
    expect(whole.headers.get('content-type')).toBe('image/jpeg');
    expect(whole.headers.get('cache-control')).toBe('private, max-age=31536000, immutable');
    const bytes = Buffer.from(await whole.arrayBuffer());
    const { exif, orientation, width, height } = await sharp(bytes).metadata();
    expect([exif, orientation, width, height]).toEqual([undefined, undefined, 1000, 1600]);
    expect(bytes.includes('Camera of somebody')).toBe(false);
    const small = await server.get(`/pictures/${kept.name}?size=small`);
    const { height: smallHeight } = await sharp(Buffer.from(await small.arrayBuffer())).metadata();
    expect(smallHeight).toBe(320);
  });

  test('that has nothing in it but itself is kept byte for byte, and can be held against its name', async () => {
    const sent = await sheet(400, 300).jpeg().toBuffer();
    await send(sent);
    const kept = async (of: Buffer) =>
      Buffer.from(await (await server.get(`/pictures/${nameOf(of)}`)).arrayBuffer());
    expect((await kept(sent)).equals(sent)).toBe(true);
    // Larger than is kept, it is drawn anew.
    const large = await sheet(2400, 300).jpeg().toBuffer();
    await send(large);
    expect((await sharp(await kept(large)).metadata()).width).toBe(1600);
  });

  test('sent again is the same file; its folder is its owner’s alone', async () => {
    const sent = await sheet(20, 10).png().toBuffer();
    expect((await send(sent)).status).toBe(200);
    const file = join(server.store.pictures.folder, `${nameOf(sent)}.jpg`);
    const before = readFileSync(file);
    expect((await send(sent)).status).toBe(200);
    expect(readFileSync(file).equals(before)).toBe(true);
    expect(statSync(server.store.pictures.folder).mode & 0o077).toBe(0);
  });

  test.each<[string, Buffer, string | undefined, number, string]>([
    ['is no picture', Buffer.from('%PDF-1.7 not a picture'), undefined, 422, 'picture.unreadable'],
    ['is empty', Buffer.alloc(0), undefined, 422, 'picture.unreadable'],
    [
      'came otherwise than it was sent',
      Buffer.from('x'),
      'a'.repeat(64),
      422,
      'picture.other_digest',
    ],
    ['is called what no digest is', Buffer.from('x'), 'plate.jpg', 400, 'request.invalid'],
    ['is too large', Buffer.alloc(4 * 1024 * 1024 + 1), undefined, 413, 'request.too_large'],
  ])('is refused where it %s', async (_, bytes, name, status, code) => {
    const answer = await send(bytes, name);
    expect([answer.status, await codeOf(answer)]).toEqual([status, code]);
    expect(server.faults).toEqual([]);
  });

  test('cut off in the middle is refused, and nothing of it is kept', async () => {
    const whole = await sheet(900, 900).jpeg().toBuffer();
    const cut = whole.subarray(0, whole.length / 2);
    expect(await codeOf(await send(cut))).toBe('picture.unreadable');
    expect((await server.get(`/pictures/${nameOf(cut)}`)).status).toBe(404);
  });

  test('that claims more than can be opened is refused', async () => {
    const wide = await sheet(9000, 7000).png({ compressionLevel: 9 }).toBuffer();
    expect(wide.length).toBeLessThan(1_000_000);
    expect(await codeOf(await send(wide))).toBe('picture.unreadable');
  });

  test('is for who works here: a viewer sends none, and nobody sees any', async () => {
    const sent = await sheet(20, 10).png().toBuffer();
    const viewer = await server.as('viewer');
    expect((await viewer.send('PUT', `/pictures/${nameOf(sent)}`, 'x')).status).toBe(403);
    await send(sent);
    expect((await viewer.get(`/pictures/${nameOf(sent)}`)).status).toBe(200);
    const nobody = await server.as('nobody');
    expect((await nobody.get(`/pictures/${nameOf(sent)}`)).status).toBe(401);
  });
});

describe('what is said of it', () => {
  test('is kept once the picture is here, changed, and never given to another', async () => {
    const sent = await sheet(20, 10).png().toBuffer();
    const other = await sheet(10, 20).png().toBuffer();
    expect(await codeOf(await put(photo(nameOf(sent))))).toBe('picture.not_found');
    await send(sent);
    await send(other);
    expect((await put(photo(nameOf(sent)))).status).toBe(200);
    expect((await put(photo(nameOf(sent), { put_aside: 'blurred' }))).status).toBe(200);
    expect(await codeOf(await put(photo(nameOf(other))))).toBe('photo.other_picture');
    const all = photoSchema.array().parse(await (await server.get('/photos')).json());
    expect(all).toEqual([photo(nameOf(sent), { put_aside: 'blurred' })]);
    expect(await server.store.tables.history.count({ where: { kind: 'photos' } })).toBe(2);
  });

  test('of a gauge’s certificate it is kept under the gauge, and given to no valve', async () => {
    const [gauge] = gaugeSchema.array().parse(await (await server.get('/gauges')).json());
    const sent = await sheet(20, 10).png().toBuffer();
    await send(sent);
    const certificate = photo(nameOf(sent), { valve_id: gauge!.id, shows: 'certificate' });
    expect((await put(certificate)).status).toBe(200);
    expect(await codeOf(await put(photo(nameOf(sent))))).toBe('photo.other_picture');
  });

  test('is refused for a valve that is not there, and under another address', async () => {
    const sent = await sheet(20, 10).png().toBuffer();
    await send(sent);
    const stray = photo(nameOf(sent), { valve_id: 'prv-99' });
    expect(await codeOf(await put(stray))).toBe('valve.not_found');
    expect(await codeOf(await put(photo(nameOf(sent)), 'photo-2'))).toBe('request.ids_differ');
  });
});
