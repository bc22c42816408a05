import { LONGEST_SIDE_PX, type KeptPicture } from '@holvek/core';
import { createHash, randomUUID } from 'node:crypto';
import { existsSync, mkdirSync } from 'node:fs';
import { readFile, rename, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import sharp from 'sharp';
import { isBareJpeg } from './bare-jpeg';

/** Longest side of a picture in a list, px. */
const SMALL_PX = 320;
/** A picture with more, which a small file may claim to have, is not opened. */
const MOST_PIXELS = 60_000_000;
const QUALITY = 82;

export const pictureSizes = ['whole', 'small'] as const;
export type PictureSize = (typeof pictureSizes)[number];

/** What was sent is no picture that can be opened here. */
export class NoPicture extends Error {}

/**
 * Files of pictures, in a folder of their own beside the database. Each is named by the digest of what was sent. What has
 * nothing in it but the picture, as our phones send it, is kept byte for byte, so that it can be held against its name;
 * anything else is drawn anew: where it was taken, by which camera and whatever else was written into it stays out.
 */
export class Pictures {
  private constructor(readonly folder: string) {}

  /** @param file  the database; for one in memory, pictures go to a folder of their own, made with the first, that the system clears */
  static beside(file: string): Pictures {
    if (file === ':memory:') return new Pictures(join(tmpdir(), `holvek-pictures-${randomUUID()}`));
    return new Pictures(join(dirname(file), 'pictures'));
  }

  has = (name: string): boolean => existsSync(this.fileOf(name, 'whole'));

  /**
   * Keeps a picture; the same one again is the same file.
   *
   * @throws NoPicture where it cannot be opened
   */
  async keep(sent: Uint8Array): Promise<KeptPicture> {
    const name = Pictures.nameOf(sent);
    const again = await drawn(sent, LONGEST_SIDE_PX);
    const { info } = again;
    const isBare = isBareJpeg(sent) && (await isAsLarge(sent, info));
    const data = isBare ? Buffer.from(sent) : again.data;
    const small = await drawn(data, SMALL_PX);
    // The small one first: whoever finds the whole one finds both.
    await this.put(name, 'small', small.data);
    await this.put(name, 'whole', data);
    return { name, width: info.width, height: info.height };
  }

  /** The file, JPEG; undefined where there is none of this name. */
  read = (name: string, size: PictureSize): Promise<Buffer | undefined> =>
    readFile(this.fileOf(name, size)).catch((error: unknown) => {
      if ((error as NodeJS.ErrnoException).code === 'ENOENT') return undefined;
      throw error;
    });

  private async put(name: string, size: PictureSize, data: Buffer): Promise<void> {
    mkdirSync(this.folder, { recursive: true, mode: 0o700 });
    const file = this.fileOf(name, size);
    // Half a file is never found under its name.
    const making = `${file}.${process.hrtime.bigint()}`;
    await writeFile(making, data, { mode: 0o600 });
    await rename(making, file);
  }

  /** What a file is called: its SHA-256, hex. */
  static nameOf = (sent: Uint8Array): string => createHash('sha256').update(sent).digest('hex');

  static fileName = (name: string, size: PictureSize): string =>
    size === 'whole' ? `${name}.jpg` : `${name}.small.jpg`;

  private fileOf = (name: string, size: PictureSize): string =>
    join(this.folder, Pictures.fileName(name, size));
}

const isAsLarge = async (
  sent: Uint8Array,
  { width, height }: { readonly width: number; readonly height: number },
): Promise<boolean> => {
  const own = await sharp(sent).metadata();
  return own.width === width && own.height === height;
};

/** JPEG no larger than this, upright, with nothing in it but the picture. */
async function drawn(sent: Uint8Array, longestPx: number) {
  try {
    return await sharp(sent, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .autoOrient()
      .resize(longestPx, longestPx, { fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: QUALITY, mozjpeg: true })
      .toBuffer({ resolveWithObject: true });
  } catch (cause) {
    throw new NoPicture('it cannot be opened', { cause });
  }
}
