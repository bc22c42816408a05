import { z } from 'zod';

/** Names within an archive. */
export const MANIFEST = 'archive.json';
export const TABLES = 'tables';
export const PICTURES = 'pictures';
export const PAPERS = 'papers';
export const KEYS = 'keys.json';

/**
 * What belongs to a server and not to its record: who is signed in, by which secret, by which calendar. What was
 * handed to a client, and who has received it, is of the record: of his address only the digest is kept.
 */
const OF_THE_SERVER = new Set(['secrets', 'sessions', 'feeds']);
export const isOfTheRecord = (table: string): boolean =>
  !OF_THE_SERVER.has(table) && table !== 'SequelizeMeta' && !table.startsWith('sqlite_');

/** PINs of a demo stand here in the clear, and go nowhere. */
export const DEMO_SETTING = 'demo_people';

/** What an archive says of itself: what is in it, each file by its digest. */
export const archiveManifestSchema = z.object({
  format: z.literal('holvek.archive'),
  version: z.literal(1),
  at_ms: z.number(),
  /** Changes of shape that its tables have behind them. */
  migrations: z.array(z.string().max(200)).max(1000),
  counts: z.record(z.string(), z.number().int().min(0)),
  /** Photos whose file was not there when it was made, by the name of the picture. */
  missing_pictures: z.array(z.string().max(200)),
  files: z.array(
    z.object({
      name: z.string().max(400),
      bytes: z.number().int().min(0),
      sha256: z.string().regex(/^[0-9a-f]{64}$/u),
    }),
  ),
});
export type ArchiveManifest = z.infer<typeof archiveManifestSchema>;

export const READ_ME = `The whole record of a house, in open formats.

archive.json    what is in here: every file with its length and its SHA-256
tables/         every table of the record, a row a line, as JSON: valves, gauges, places, rounds, runs, entries
                (events), sheets, the log of what was filed, every version of every document (history)
valves.csv      the register, a column for every fact of a plate, units in the headers; gauges.csv and places.csv alike
papers/         the sheets as PDF, by valve
pictures/       photos, named by the digest of what was sent: one whose own SHA-256 is its name is the very file
keys.json       public keys that have signed here (JWK): with them the sheets can be checked anywhere

Nobody's PIN, session or calendar is in it, nor the key that signs as the house.
npm run take-in -- FILE puts it into an empty server; it is refused where a file was changed.
`;
