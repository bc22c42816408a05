import { z } from 'zod';
import { digestSchema } from '../digest';
import { photoSubjectNames } from '../valve';

/** Longest side of a picture as it is kept, px: letters on a plate can be read, a year of them can be stored. */
export const LONGEST_SIDE_PX = 1600;
/** Largest file that a phone opens, bytes. */
export const LARGEST_PICTURE_B = 25_000_000;

/** Name of a picture: SHA-256 of the file that was sent, hex. */
export const pictureNameSchema = digestSchema;

/** A picture that was taken of a valve or a gauge. The picture itself is a file of its own, called by its digest. */
export const photoSchema = z.object({
  id: z.string().min(1).max(64),
  /** Of which valve; of a gauge, its id. */
  valve_id: z.string().min(1).max(64),
  shows: z.enum(photoSubjectNames),
  picture: pictureNameSchema,
  /** When it was taken, ms since 1970. */
  taken_at_ms: z.number().int().nonnegative(),
  by: z.string().trim().min(2).max(80),
  /** What is to be seen on it. */
  words: z.string().trim().max(400).optional(),
  /** Why it is no longer shown; nothing is thrown away. */
  put_aside: z.string().trim().min(3).max(400).optional(),
});
export type Photo = z.infer<typeof photoSchema>;

/** A picture as it is kept: without what the camera wrote into it. */
export const keptPictureSchema = z.object({
  name: pictureNameSchema,
  width: z.number().int().positive(),
  height: z.number().int().positive(),
});
export type KeptPicture = z.infer<typeof keptPictureSchema>;

/** Pictures of a valve that are shown, latest first, its plate before all others. */
export const photosOf = (photos: readonly Photo[], valveId: string): readonly Photo[] =>
  photos
    .filter(({ valve_id: id, put_aside: aside }) => id === valveId && aside === undefined)
    .sort(
      (a, b) =>
        Number(b.shows === 'plate') - Number(a.shows === 'plate') || b.taken_at_ms - a.taken_at_ms,
    );
