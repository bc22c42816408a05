import {
  atPlace,
  gaugeSchema,
  siteSchema,
  valveSchema,
  writeGaugesCsv,
  writePlacesCsv,
  writeValvesCsv,
  type Sheet,
} from '@holvek/core';
import { sheetPdf, type PaperFonts } from '@holvek/paper';
import { createWriteStream, existsSync } from 'node:fs';
import { copyFile, mkdir, mkdtemp, open, rename, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import { alsoAt, DATABASE } from '../backup/files';
import { Snapshot } from '../backup/snapshot';
import { listedIn } from '../backup/take';
import { openStore, type Store } from '../db/open';
import { Pictures, pictureSizes } from '../db/pictures';
import { keyFileOf } from '../db/signer';
import { besideOf } from '../routes/beside';
import { documentsOf } from '../routes/documents';
import { keysOf } from '../sheet/evidence-file';
import { toSheet } from '../sheet/stored';
import {
  archiveManifestSchema,
  DEMO_SETTING,
  isOfTheRecord,
  KEYS,
  MANIFEST,
  PAPERS,
  PICTURES,
  READ_ME,
  TABLES,
  type ArchiveManifest,
} from './shape';

export type ArchiveJob = {
  /** The database, which may be served meanwhile. */
  readonly file: string;
  /** Where the archive goes. */
  readonly to: string;
  readonly fonts: PaperFonts;
  readonly now: number;
};

/**
 * Writes the whole record of a house into one ZIP of open formats, as it stands at one moment.
 *
 * @returns what it says of itself
 */
export async function writeArchive({ file, to, fonts, now }: ArchiveJob): Promise<ArchiveManifest> {
  const scratch = await mkdtemp(join(tmpdir(), 'holvek-archive-'));
  try {
    const copy = join(scratch, DATABASE);
    const folder = join(scratch, 'archive');
    await mkdir(folder);
    await copyAt(file, copy);
    const told = await writeTables(copy, folder);
    const store = await openStore(copy);
    try {
      await writeTablesAsCsv(store, folder);
      await writePapers(store, folder, fonts);
    } finally {
      await store.close();
    }
    const missing = await givePictures(Pictures.beside(file).folder, folder, told.pictures);
    await writeFile(join(folder, 'README.txt'), READ_ME);
    const manifest = archiveManifestSchema.parse({
      format: 'holvek.archive',
      version: 1,
      at_ms: now,
      migrations: told.migrations,
      counts: told.counts,
      missing_pictures: missing,
      files: (await listedIn(folder)).sort((a, b) => (a.name < b.name ? -1 : 1)),
    });
    await writeFile(join(folder, MANIFEST), JSON.stringify(manifest, null, 2));
    await zipped(folder, [MANIFEST, ...manifest.files.map(({ name }) => name)], to);
    return manifest;
  } finally {
    await rm(scratch, { recursive: true, force: true });
  }
}

/** The database as it is just now, with the key that signs there, so that no other one joins it. */
async function copyAt(file: string, copy: string): Promise<void> {
  const served = await Snapshot.open(file);
  await served.all('VACUUM INTO ?', [copy]).finally(() => served.close());
  const key = keyFileOf(file);
  if (!existsSync(key)) return;
  await mkdir(dirname(keyFileOf(copy)), { recursive: true, mode: 0o700 });
  await copyFile(key, keyFileOf(copy));
}

type Told = Pick<ArchiveManifest, 'migrations' | 'counts'> & { readonly pictures: string[] };

async function writeTables(copy: string, folder: string): Promise<Told> {
  await mkdir(join(folder, TABLES));
  const snapshot = await Snapshot.open(copy);
  try {
    const counts: Record<string, number> = {};
    for (const table of await snapshot.tables()) {
      if (!isOfTheRecord(table)) continue;
      counts[table] = await writeRows(snapshot, table, join(folder, TABLES, `${table}.jsonl`));
    }
    const photos = await snapshot.all(`SELECT body ->> '$.picture' AS picture FROM photos`);
    return {
      counts,
      migrations: await snapshot.migrations(),
      pictures: photos.map(({ picture }) => String(picture)),
    };
  } finally {
    await snapshot.close();
  }
}

/** Rows that are held at a time. */
const AT_ONCE = 1000;

/** The rows of a table in the order in which they came, one a line. */
export async function writeRows(snapshot: Snapshot, table: string, to: string): Promise<number> {
  const out = await open(to, 'w');
  let count = 0;
  let after = 0;
  try {
    for (;;) {
      const rows = await snapshot.all(
        `SELECT rowid AS "_at", * FROM "${table}" WHERE rowid > ? ORDER BY rowid LIMIT ${AT_ONCE}`,
        [after],
      );
      if (rows.length === 0) return count;
      after = Number(rows.at(-1)!['_at']);
      const kept = rows.filter(({ id }) => !(table === 'settings' && id === DEMO_SETTING));
      count += kept.length;
      await out.write(kept.map(({ _at, ...row }) => `${JSON.stringify(row)}\n`).join(''));
    }
  } finally {
    await out.close();
  }
}

async function writeTablesAsCsv(store: Store, folder: string): Promise<void> {
  const places = await documentsOf(store, 'sites', siteSchema).all();
  const valves = await documentsOf(store, 'valves', valveSchema).all();
  const gauges = await documentsOf(store, 'gauges', gaugeSchema).all();
  const writing = { unit: 'kPa', barometer: atPlace(places, undefined).barometer, places };
  await writeFile(join(folder, 'valves.csv'), writeValvesCsv(valves, writing));
  await writeFile(join(folder, 'gauges.csv'), writeGaugesCsv(gauges));
  await writeFile(join(folder, 'places.csv'), writePlacesCsv(places));
  await writeFile(join(folder, KEYS), JSON.stringify(await keysOf(store), null, 2));
}

/** A name that is one on every disk. */
const plainName = (text: string): string => text.replaceAll(/[^\p{L}\p{N}._-]+/gu, '-');

const paperName = ({ id, body }: Sheet): string => {
  const day = new Date(body.signed_at_ms).toISOString().slice(0, 10);
  return `${day}-${id.slice(0, 12)}.pdf`;
};

async function writePapers(store: Store, folder: string, fonts: PaperFonts): Promise<void> {
  const ids = await store.tables.sheets.findAll({ attributes: ['id'], raw: true });
  for (const { id } of ids) {
    const row = await store.tables.sheets.findByPk(id);
    const sheet = toSheet(row!);
    const place = join(folder, PAPERS, plainName(sheet.body.valve_tag));
    await mkdir(place, { recursive: true });
    const pdf = await sheetPdf(sheet, fonts, await besideOf(store, sheet));
    await writeFile(join(place, paperName(sheet)), pdf);
  }
}

/** The files of photos. @returns names of those that are not there */
async function givePictures(
  from: string,
  folder: string,
  names: readonly string[],
): Promise<string[]> {
  const missing: string[] = [];
  for (const name of new Set(names)) {
    if (!existsSync(join(from, Pictures.fileName(name, 'whole')))) missing.push(name);
    for (const size of pictureSizes) {
      const file = Pictures.fileName(name, size);
      if (existsSync(join(from, file)))
        await alsoAt(join(from, file), join(folder, PICTURES, file));
    }
  }
  return missing;
}

/** Half an archive is never found under its name. */
async function zipped(folder: string, names: readonly string[], to: string): Promise<void> {
  const zip = new ZipFile();
  // The archive says what it is before anything else.
  for (const name of names) zip.addFile(join(folder, name), name);
  zip.end();
  await mkdir(dirname(to), { recursive: true });
  const making = `${to}.making`;
  await pipeline(zip.outputStream, createWriteStream(making, { mode: 0o600 }));
  await rename(making, to);
}
