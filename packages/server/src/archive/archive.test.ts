import { sheetSchema } from '@holvek/core';
import { createHash } from 'node:crypto';
import {
  appendFileSync,
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import type { MadeArchive } from './apart';
import { holdAlone } from '../db/one-server';
import { openStore } from '../db/open';
import { Pictures } from '../db/pictures';
import { firstCodeOf } from '../people/first-code';
import { fontsIn } from '../sheet/fonts';
import { evidenceOf } from '../sheet/evidence-file';
import { testHouse, type TestHouse } from '../testing/house';
import { testServer, valve } from '../testing/server';
import { archiveManifestSchema, type ArchiveManifest } from './shape';
import { NotTakenIn, takeIn } from './take-in';
import { unzip } from './unzip';
import { writeArchive } from './write';

const now = Date.UTC(2026, 11, 1, 9);
const fonts = fontsIn(join(__dirname, '../../../../node_modules/@expo-google-fonts'));
let house: TestHouse;
let zip: string;
let manifest: ArchiveManifest;

/** What a client was handed, and his word that he has it. */
async function handOver(): Promise<string> {
  const { server } = house;
  const [sheet] = z
    .array(z.object({ id: z.string() }))
    .parse(await (await server.get(`/sheets?valve_id=${valve.id}`)).json());
  const made = await server.send('POST', '/client-links', {
    client: 'Hofmann & Co.',
    sheet_ids: [sheet!.id],
    until_ms: Date.now() + 30 * 86_400_000,
  });
  const { path } = z.object({ path: z.string() }).parse(await made.json());
  const token = path.replace('/client/', '');
  const stroke = [
    [0.1, 0.5],
    [0.4, 0.2],
  ];
  const receipt = { name: 'Ruth Hofmann', strokes: [stroke] };
  expect((await server.send('POST', `/client/${token}/received`, receipt)).status).toBe(200);
  return token;
}

let token: string;
beforeAll(async () => {
  house = await testHouse();
  token = await handOver();
  zip = join(house.folder, 'house.zip');
  manifest = await writeArchive({ file: house.file, to: zip, fonts, now });
}, 60_000);
afterAll(() => house.end());

const scratch = () => mkdtempSync(join(house.folder, 'scratch-'));
const sha256 = (data: Buffer) => createHash('sha256').update(data).digest('hex');

/** The archive as somebody may have changed it. */
async function changed(change: (folder: string) => void): Promise<string> {
  const folder = scratch();
  await unzip(zip, folder);
  change(folder);
  const to = join(scratch(), 'changed.zip');
  const again = new ZipFile();
  for (const each of readdirSync(folder, { recursive: true, withFileTypes: true })) {
    const path = join(each.parentPath, each.name);
    if (each.isFile()) again.addFile(path, path.slice(folder.length + 1));
  }
  again.end();
  await pipeline(again.outputStream, createWriteStream(to));
  return to;
}

/** A manifest that goes with what somebody has changed: only what is in the files can tell then. */
function retold(folder: string, over: (told: ArchiveManifest) => object = () => ({})): void {
  const path = join(folder, 'archive.json');
  const told = archiveManifestSchema.parse(JSON.parse(readFileSync(path, 'utf8')));
  const files = told.files.map(({ name }) => {
    const data = readFileSync(join(folder, name));
    return { name, bytes: data.length, sha256: sha256(data) };
  });
  writeFileSync(path, JSON.stringify({ ...told, files, ...over(told) }));
}

const emptyFile = (name: string) => ({ name, bytes: 0, sha256: sha256(Buffer.alloc(0)) });

describe('an archive', () => {
  test('holds every table, CSV, papers, pictures and public keys, each by its digest', async () => {
    const names = manifest.files.map(({ name }) => name);
    for (const name of ['valves.csv', 'gauges.csv', 'places.csv', 'keys.json', 'README.txt'])
      expect(names).toContain(name);
    for (const table of ['valves', 'events', 'sheets', 'log', 'history', 'people'])
      expect(names).toContain(`tables/${table}.jsonl`);
    expect(
      names.filter((name) => /^papers\/[^/]+\/\d{4}-\d\d-\d\d-.*\.pdf$/u.test(name)),
    ).toHaveLength(manifest.counts['sheets']!);
    expect(names.filter((name) => name.startsWith('pictures/'))).toHaveLength(2);
    expect(manifest.counts).toMatchObject({ valves: 1, sheets: 1, photos: 1 });
    expect(manifest.missing_pictures).toEqual([]);
    const folder = scratch();
    const files = await unzip(zip, folder);
    for (const { name, bytes, sha256: digest } of manifest.files)
      expect(files.get(name)).toEqual({ bytes, sha256: digest });
  });

  test('nobody’s secret, session or address is in it, nor the key of the house', async () => {
    const folder = scratch();
    const files = await unzip(zip, folder);
    const key = JSON.parse(readFileSync(join(house.folder, 'keys/server-key.json'), 'utf8')) as {
      readonly d?: string;
    };
    for (const name of files.keys()) {
      expect(name).not.toMatch(/secrets|sessions|feeds/u);
      const text = readFileSync(join(folder, name)).toString('latin1');
      expect(text).not.toContain('scrypt$');
      expect(text).not.toContain(token);
      if (key.d) expect(text).not.toContain(key.d);
    }
  });
});

test('a photo whose file is gone is named, and the rest goes out', async () => {
  const other = await testHouse();
  const folder = Pictures.beside(other.file).folder;
  const names = readdirSync(folder);
  for (const name of names) rmSync(join(folder, name));
  const told = await writeArchive({ file: other.file, to: join(scratch(), 'z.zip'), fonts, now });
  expect(told.missing_pictures).toEqual([names[0]!.slice(0, 64)]);
  expect(told.counts).toMatchObject({ photos: 1, sheets: 1 });
  await other.end();
});

describe('taken in by an empty server', () => {
  const at = () => join(scratch(), 'register.sqlite');

  test('a client finds his sheets at the address that he has, and what he has received', async () => {
    const file = at();
    await takeIn(zip, file, now);
    const again = await testServer(file);
    const seen = await again.get(`/client/${token}`);
    expect(seen.status).toBe(200);
    expect(await seen.json()).toMatchObject({ received: { name: 'Ruth Hofmann' } });
    await again.store.close();
  });

  test('the record is equal, by hash, and its sheets hold there', async () => {
    const file = at();
    const { counts, aside } = await takeIn(zip, file, now);
    expect([counts, aside]).toEqual([manifest.counts, undefined]);
    const again = join(scratch(), 'again.zip');
    const second = await writeArchive({ file, to: again, fonts, now });
    const digests = ({ files }: ArchiveManifest) =>
      files.filter(({ name }) => /^(?:tables|pictures)\/|csv$/u.test(name));
    // The new house has a key of its own beside that of before.
    const own = (each: { readonly name: string }) => each.name !== 'tables/keys.jsonl';
    expect(digests(second).filter(own)).toEqual(digests(manifest).filter(own));
    expect(second.counts['keys']).toBe(manifest.counts['keys']! + 1);
    const store = await openStore(file);
    const here = await evidenceOf(store, [valve.id]);
    expect(here.sheets.map(({ hash }) => hash)).toEqual(
      sheetSchema
        .array()
        .parse(await (await house.server.get('/sheets')).json())
        .map(({ hash }) => hash),
    );
    expect(readdirSync(Pictures.beside(file).folder)).toHaveLength(2);
    // People came along, but no secret: an owner comes in by a code.
    expect(await store.tables.people.count()).toBeGreaterThan(0);
    expect(await firstCodeOf(store, 'CODE')).toEqual({ firstCode: 'CODE' });
    await store.close();
  });

  test('what had nothing in it is moved aside; what has anything is refused and stays', async () => {
    const file = at();
    await (await openStore(file)).close();
    const { aside } = await takeIn(zip, file, now);
    expect(existsSync(aside!)).toBe(true);
    const before = readFileSync(file);
    await expect(takeIn(zip, file, now)).rejects.toThrow(/is not empty: valves: 1\. Nothing/u);
    expect(readFileSync(file)).toEqual(before);
  });

  test('a server that runs on it is not disturbed', async () => {
    const file = at();
    const letGo = await holdAlone(file);
    await expect(takeIn(zip, file, now)).rejects.toThrow();
    await letGo();
    expect(existsSync(file)).toBe(false);
  });

  test.each<[string, (folder: string) => void, RegExp]>([
    [
      'a letter of a table',
      (at) => appendFileSync(join(at, 'tables/events.jsonl'), ' '),
      /events\.jsonl was changed/u,
    ],
    ['a file that is gone', (at) => rmSync(join(at, 'valves.csv')), /valves\.csv is missing/u],
    ['a file that came in', (at) => writeFileSync(join(at, 'more.txt'), 'x'), /more\.txt is none/u],
    ['no word of itself', (at) => rmSync(join(at, 'archive.json')), /is no archive/u],
    ['a word that is none', (at) => writeFileSync(join(at, 'archive.json'), '{'), /is no archive/u],
    [
      'a newer version',
      (at) => retold(at, ({ migrations }) => ({ migrations: [...migrations, '9999-later'] })),
      /newer Holvek \(9999-later\)/u,
    ],
    [
      'a sheet that was altered, with every digest to match',
      (at) => {
        const path = join(at, 'tables/sheets.jsonl');
        writeFileSync(
          path,
          readFileSync(path, 'utf8').replace(
            '\\"verdict\\":\\"pass\\"',
            '\\"verdict\\":\\"fail\\"',
          ),
        );
        retold(at);
      },
      /is not what was filed/u,
    ],
    [
      'a log without its last line',
      (at) => {
        writeFileSync(join(at, 'tables/log.jsonl'), '');
        retold(at);
      },
      /is not what was filed/u,
    ],
    [
      'a column that no table has',
      (at) => {
        appendFileSync(join(at, 'tables/sites.jsonl'), '{"id":"x","body":"{}","more":1}\n');
        retold(at);
      },
      /a row of sites cannot be read/u,
    ],
    [
      'a table that belongs to a server',
      (at) => {
        writeFileSync(join(at, 'tables/secrets.jsonl'), '');
        retold(at, ({ files }) => ({ files: [...files, emptyFile('tables/secrets.jsonl')] }));
      },
      /secrets\.jsonl is no table of a record/u,
    ],
    [
      'a row that is none',
      (at) => {
        appendFileSync(join(at, 'tables/sites.jsonl'), 'row\n');
        retold(at);
      },
      /a row of sites cannot be read/u,
    ],
  ])('%s is refused, and nothing is left behind', async (_, change, words) => {
    const file = at();
    const told = takeIn(await changed(change), file, now);
    await expect(told).rejects.toThrow(NotTakenIn);
    await expect(told).rejects.toThrow(words);
    expect(existsSync(file)).toBe(false);
    expect(existsSync(`${file}.taking-in`)).toBe(false);
  });

  test('what is no ZIP, or half of one, is refused', async () => {
    const half = join(scratch(), 'half.zip');
    writeFileSync(half, readFileSync(zip).subarray(0, 5000));
    await expect(takeIn(half, at(), now)).rejects.toThrow(/cannot be unpacked/u);
    await expect(takeIn(join(house.folder, 'none.zip'), at(), now)).rejects.toThrow(/unpacked/u);
  });

  test('a file is never put outside', async () => {
    const evil = join(scratch(), 'evil.zip');
    const made = new ZipFile();
    made.addBuffer(Buffer.from('x'), 'aa/bb.txt');
    made.end();
    await pipeline(made.outputStream, createWriteStream(evil));
    // Of the same length, so that the archive stays whole: only the place is another.
    const bytes = Buffer.from(
      readFileSync(evil).toString('latin1').replaceAll('aa/bb.txt', '../bb.txt'),
      'latin1',
    );
    writeFileSync(evil, bytes);
    const folder = join(scratch(), 'in');
    mkdirSync(folder);
    await expect(unzip(evil, folder)).rejects.toThrow(/relative path/u);
    expect(existsSync(join(folder, '../bb.txt'))).toBe(false);
  });
});

describe('handed over when an owner asks', () => {
  const asked = async (make?: () => Promise<MadeArchive>) =>
    testServer(':memory:', make ? { archive: make } : {});
  const made = () => {
    const file = join(scratch(), 'house.zip');
    writeFileSync(file, 'whole');
    return { file, letGo: jest.fn(async () => rmSync(file)) };
  };

  test('as a file of its own, which is let go of afterwards', async () => {
    const given = made();
    const server = await asked(async () => given);
    const answer = await server.get('/archive.zip');
    expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'application/zip']);
    expect(answer.headers.get('content-disposition')).toMatch(/holvek-\d{4}-\d\d-\d\d\.zip/u);
    expect(await answer.text()).toBe('whole');
    expect(given.letGo).toHaveBeenCalledTimes(1);
    expect(existsSync(given.file)).toBe(false);
  });

  test('to no one else, and never two at once', async () => {
    let end: (archive: MadeArchive) => void = () => undefined;
    const waiting = new Promise<MadeArchive>((done) => {
      end = done;
    });
    const server = await asked(() => waiting);
    for (const role of ['supervisor', 'technician', 'viewer', 'nobody'] as const)
      expect((await (await server.as(role)).get('/archive.zip')).status).toBe(
        role === 'nobody' ? 401 : 403,
      );
    const first = server.get('/archive.zip');
    expect((await server.get('/archive.zip')).status).toBe(409);
    end(made());
    expect((await first).status).toBe(200);
  });

  test('one that fails says so, and the next is made', async () => {
    const ways = [() => Promise.reject(new Error('no room')), async () => made()];
    const server = await asked(() => ways.shift()!());
    expect((await server.get('/archive.zip')).status).toBe(500);
    expect((await server.get('/archive.zip')).status).toBe(200);
    expect((await (await asked()).get('/archive.zip')).status).toBe(422);
  });
});
