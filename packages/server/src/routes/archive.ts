import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { Readable } from 'node:stream';
import type { MadeArchive } from '../archive/apart';
import { Problem } from '../http/problem';
import { newRouter } from '../http/router';
import { mustBeAllowed } from '../people/gate';

/** Makes an archive of the house; undefined where this server makes none. */
export type Archiver = () => Promise<MadeArchive>;

/** The whole record in one file of open formats, made when an owner asks for it; one at a time. */
export function archiveRoutes(make: Archiver | undefined) {
  let isMaking = false;
  return newRouter().get('/archive.zip', async (c) => {
    mustBeAllowed(c, 'keep_house');
    if (!make) throw new Problem(422, 'archive.off');
    if (isMaking) throw new Problem(409, 'archive.in_the_making');
    isMaking = true;
    const { file, letGo } = await make().finally(() => {
      isMaking = false;
    });
    const { size } = await stat(file);
    const stream = createReadStream(file);
    stream.once('close', () => void letGo());
    const day = new Date().toISOString().slice(0, 10);
    return c.body(Readable.toWeb(stream) as ReadableStream, 200, {
      'content-type': 'application/zip',
      'content-length': `${size}`,
      'content-disposition': `attachment; filename="holvek-${day}.zip"`,
    });
  });
}
