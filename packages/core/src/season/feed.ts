import { z } from 'zod';
import { areaOf, type Planned } from './season';

const id = z.string().min(1).max(64);
/** Whose visits a calendar is about: one person's, those of one area of the place, or all. */
export const feedAboutSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('everybody') }),
  z.object({ kind: z.literal('person'), person_id: id }),
  z.object({ kind: z.literal('area'), area: z.string().trim().min(1).max(120) }),
]);
export type FeedAbout = z.infer<typeof feedAboutSchema>;

/** A calendar that other programs read by an address of its own, as it is told to whoever may end it. */
export const feedSchema = z.object({
  id: z.string().regex(/^[0-9a-f]{64}$/u),
  about: feedAboutSchema,
  made_by: id,
  since_ms: z.number().int().nonnegative(),
});
export type Feed = z.infer<typeof feedSchema>;

/** One that was just made: its address is told this once, and kept by nobody here. */
export const newFeedSchema = feedSchema.extend({ path: z.string().max(200) });
export type NewFeed = z.infer<typeof newFeedSchema>;

/** Whether a planned visit belongs into a calendar. */
export function isAbout(
  about: FeedAbout,
  { person_id: person }: Pick<Planned, 'person_id'>,
  { place }: { readonly place: string },
): boolean {
  switch (about.kind) {
    case 'everybody':
      return true;
    case 'person':
      return about.person_id === person;
    case 'area':
      return about.area === areaOf(place);
  }
}
