import { z } from 'zod';

const pressure = z.number().min(-101_325).max(1e9);
const text = z.string().max(400);

export const directionSchema = z.enum(['raises', 'lowers', 'unknown']);
export type Direction = z.infer<typeof directionSchema>;

export const springSchema = z.object({
  colour: z.string().min(1).max(40),
  from_pa: pressure,
  to_pa: pressure,
  /** Pa of set point for a whole turn; always positive, the direction stands on the plate. */
  rate_pa_per_turn: z.number().positive().max(1e8),
});
export type Spring = z.infer<typeof springSchema>;

/** What the plate, the manual and the register say of a pilot-operated reducing valve. */
export const reducingPlateSchema = z.object({
  family: z.literal('reducing'),
  size_dn: z.number().min(10).max(2000),
  /** Highest pressure the downstream side may ever see. */
  outlet_rating_pa: pressure,
  inlet_rating_pa: pressure,
  springs: z.array(springSchema).min(1).max(12),
  fitted_spring: z.string().max(40),
  clockwise: directionSchema,
  /** Whole turns from backed off to coil-bound. */
  travel_turns: z.number().positive().max(60),
  min_differential_pa: z.number().nonnegative().max(1e7),
  accessories: z.array(z.string().min(1).max(80)).max(20),
  /** Fire-service approval: only the accessories named in it may be fitted. */
  approval: z.object({ scheme: text, accessories: z.array(z.string().max(80)).max(20) }).optional(),
  factory_set_point_pa: pressure.optional(),
});
export type ReducingPlate = z.infer<typeof reducingPlateSchema>;

export const plateSchema = z.discriminatedUnion('family', [reducingPlateSchema]);
export type Plate = z.infer<typeof plateSchema>;
export type Family = Plate['family'];

/** What the valve must hold, and why. */
export const targetSchema = z.object({
  set_point_pa: pressure,
  tolerance_pa: z.number().positive().max(1e8),
  /** Never to be passed on the way: the weakest part downstream, or the site's own figure. */
  limit_pa: pressure,
  why: text.min(1),
});
export type Target = z.infer<typeof targetSchema>;

/** The name in the field's words, for titles. */
export const familyName: Record<Family, string> = { reducing: 'Pilot-operated reducing valve' };

export const fittedSpring = (plate: Plate): Spring | undefined =>
  plate.springs.find(({ colour }) => colour === plate.fitted_spring);
