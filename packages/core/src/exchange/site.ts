import { z } from 'zod';

const id = z.string().min(1).max(64);

/** Whether the clocks of a place can be named so, such as “Europe/Zurich”. */
export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

/** Somebody who is asked or told at a place. */
export const contactSchema = z.object({
  name: z.string().trim().min(1).max(120),
  /** What he is there: caretaker, control room, permit office. */
  role: z.string().max(120),
  phone: z.string().max(40),
});
export type Contact = z.infer<typeof contactSchema>;

/**
 * A place: a site, or a part of the place that it lies under. What a part does not say is as the place above it
 * says.
 */
export const siteSchema = z.object({
  id,
  name: z.string().min(1).max(120),
  /** The place that it is a part of; none for a site. */
  under: id.optional(),
  /** m above the sea; it gives the barometer. */
  altitude_m: z.number().min(-430).max(11_000).optional(),
  /** By whose clock a day begins and ends there. */
  time_zone: z.string().max(60).refine(isTimeZone, 'place.no_such_zone').optional(),
  /** As money is written there. */
  currency: z.string().min(1).max(8).optional(),
  /** Of electrical energy, in that money. */
  price_per_kwh: z.number().min(0).max(1e3).optional(),
  contacts: z.array(contactSchema).max(20).optional(),
  /** By whose leave work is done there, and what else has to be known before. */
  permit: z.string().max(2000).optional(),
  /** No longer in use; its records stay. */
  closed: z.object({ why: z.string().min(1).max(400), on: z.iso.date() }).optional(),
});
export type Site = z.infer<typeof siteSchema>;
