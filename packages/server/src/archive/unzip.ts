import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { openPromise, type Entry, type ZipFile } from 'yauzl';

/** A file as it came out of the archive. */
export type Unpacked = { readonly bytes: number; readonly sha256: string };

/** Most bytes that one file of an archive may have: a small archive can claim to be endless. */
const MOST_BYTES = 64 * 2 ** 30;

/**
 * Unpacks a ZIP into a folder.
 *
 * @returns each file with what it is, by its name
 * @throws where it is no ZIP, is cut off, or names a place outside the folder
 */
export async function unzip(from: string, folder: string): Promise<ReadonlyMap<string, Unpacked>> {
  const zip = await openPromise(from, { lazyEntries: true, autoClose: false });
  const files = new Map<string, Unpacked>();
  try {
    for await (const entry of zip.eachEntry()) {
      if (entry.fileName.endsWith('/')) continue;
      if (files.has(entry.fileName)) throw new Error(`${entry.fileName} stands in it twice`);
      files.set(entry.fileName, await unpack(zip, entry, join(folder, entry.fileName)));
    }
  } finally {
    zip.close();
  }
  return files;
}

async function unpack(zip: ZipFile, entry: Entry, to: string): Promise<Unpacked> {
  const hash = createHash('sha256');
  let bytes = 0;
  const counting = new Transform({
    transform(piece: Buffer, _, done) {
      bytes += piece.length;
      hash.update(piece);
      done(bytes > MOST_BYTES ? new Error(`${entry.fileName} is too large`) : null, piece);
    },
  });
  await mkdir(dirname(to), { recursive: true, mode: 0o700 });
  const stream = await zip.openReadStreamPromise(entry);
  await pipeline(stream, counting, createWriteStream(to, { mode: 0o600 }));
  return { bytes, sha256: hash.digest('hex') };
}
