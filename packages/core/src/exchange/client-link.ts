import { z } from 'zod';
import { sheetSchema } from '../sheet';

const DAY_MS = 86_400_000;
/** An address that is handed to a client lives a year at the most. */
export const LONGEST_LINK_MS = 366 * DAY_MS;

const sheetId = z.string().min(1).max(64);
const name = z.string().trim().min(2).max(120);

/** Which sheets a client is handed, in which matter, and until when. */
export const clientLinkAskedSchema = z.object({
  client: name,
  /** Number of the order or the permit that the work was done under. */
  order: z.string().trim().max(80).optional(),
  sheet_ids: z.array(sheetId).min(1).max(200),
  until_ms: z.number().int().nonnegative(),
});
export type ClientLinkAsked = z.infer<typeof clientLinkAskedSchema>;

/** The box that a hand signs in, of whatever size it is on the screen. */
export const DRAWN_BOX = { width: 600, height: 200 } as const;
/** Points of a drawing in all: what a hand leaves in a box, with room. */
const MOST_POINTS = 4000;

const across = z.number().int().min(0).max(DRAWN_BOX.width);
const down = z.number().int().min(0).max(DRAWN_BOX.height);
/** A signature as it was drawn: its strokes, each from point to point within the box. */
export const drawnSchema = z
  .array(z.array(z.tuple([across, down])).min(1))
  .min(1)
  .max(200)
  .refine((strokes) => strokes.flat().length <= MOST_POINTS, 'more than a hand draws');
export type SignedByHand = z.infer<typeof drawnSchema>;

/** A drawing as the path of a picture; a dot is a stroke that goes nowhere. */
export const drawnPath = (drawn: SignedByHand): string =>
  drawn
    .map(([first, ...rest]) => {
      const from = `M${first!.join(' ')}`;
      return rest.length === 0
        ? `${from}l0.1 0`
        : from + rest.map((point) => `L${point.join(' ')}`).join('');
    })
    .join('');

/** Who has received what was done, said once, and how he has signed for it. */
export const receiptSchema = z.object({
  name,
  at_ms: z.number().int().nonnegative(),
  drawn: drawnSchema.optional(),
});
export type Receipt = z.infer<typeof receiptSchema>;

/** An address that shows a client his own sheets, as it is told to whoever may end it. */
export const clientLinkSchema = clientLinkAskedSchema.extend({
  id: z.string().regex(/^[0-9a-f]{64}$/u),
  /** Name of the one who made it. */
  made_by: z.string(),
  since_ms: z.number().int().nonnegative(),
  received: receiptSchema.optional(),
});
export type ClientLink = z.infer<typeof clientLinkSchema>;

/** One that was just made: its path is told this once, and kept by nobody here. */
export const newClientLinkSchema = clientLinkSchema.extend({ path: z.string().max(200) });
export type NewClientLink = z.infer<typeof newClientLinkSchema>;

/** What whoever has the address sees. */
export const clientViewSchema = clientLinkSchema
  .pick({ client: true, order: true, until_ms: true, made_by: true, received: true })
  .extend({
    sheets: z.array(sheetSchema),
    /** Ids of those that a later revision corrects. */
    corrected: z.array(sheetId),
  });
export type ClientView = z.infer<typeof clientViewSchema>;
