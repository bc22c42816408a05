import { z } from 'zod';

export const pressureSchema = z.number().min(-101_325).max(1e9);
const text = z.string().max(400);
const id = z.string().min(1).max(40);

/** Which side of the valve an adjuster governs: its rating and its gauge stand there. */
export type Side = 'inlet' | 'outlet';

export const directionSchema = z.enum(['raises', 'lowers', 'unknown']);
export type Direction = z.infer<typeof directionSchema>;

export const springSchema = z.object({
  colour: z.string().min(1).max(40),
  from_pa: pressureSchema,
  to_pa: pressureSchema,
  /** Pa of set point for a whole turn; always positive, the direction stands on the plate. */
  rate_pa_per_turn: z.number().positive().max(1e8),
  /** Colours that are stacked with it: the row then speaks of the whole stack. */
  stacked_with: z.array(z.string().max(40)).max(3).optional(),
});
export type Spring = z.infer<typeof springSchema>;

/** What is known of one adjuster: its springs (ranges as sizes, without the sign of a vacuum) and its screw. */
const adjusterShape = {
  springs: z.array(springSchema).min(1).max(12),
  fitted_spring: z.string().max(40),
  clockwise: directionSchema,
  /** Whole turns from backed off to coil-bound. */
  travel_turns: z.number().positive().max(60),
};
export const adjusterPlateSchema = z.object(adjusterShape);
export type AdjusterPlate = z.infer<typeof adjusterPlateSchema>;

/** A screw without a spring chart: how far a turn goes is learned from the pointer. */
const screwShape = {
  springs: z.array(springSchema).max(0),
  fitted_spring: z.string().max(0),
  clockwise: directionSchema,
  travel_turns: z.number().positive().max(60),
};

/** What every plate says. The leading adjuster stands on the plate itself, further ones under `others`. */
const plateShape = {
  ...adjusterShape,
  others: z.record(id, adjusterPlateSchema).optional(),
  size_dn: z.number().min(3).max(2000),
  /** Highest pressure that either side may ever see. */
  outlet_rating_pa: pressureSchema,
  inlet_rating_pa: pressureSchema,
  min_differential_pa: z.number().nonnegative().max(1e7),
  accessories: z.array(z.string().min(1).max(80)).max(20),
  /** Fire-service approval: only the accessories named in it may be fitted. */
  approval: z.object({ scheme: text, accessories: z.array(z.string().max(80)).max(20) }).optional(),
  factory_set_point_pa: pressureSchema.optional(),
  /** Fall from small to working flow that the job can bear; absent where nobody has said. */
  droop_allowed_pa: z.number().positive().max(1e8).optional(),
};

/** What is known of any plate without asking which family it is of. */
export type AnyPlate = z.infer<z.ZodObject<typeof plateShape>> & { family: string };

/** A family's plate: what every plate says, and what only this family's does. */
export const plateOf = <F extends string, S extends z.ZodRawShape>(family: F, shape: S) =>
  z.object({ family: z.literal(family), ...plateShape, ...shape });

/** A family's plate whose screws have no spring chart. The leading screw is zero. */
export const screwPlateOf = <F extends string, S extends z.ZodRawShape>(family: F, shape: S) =>
  z.object({
    family: z.literal(family),
    ...plateShape,
    ...screwShape,
    others: z.record(id, z.object(screwShape)).optional(),
    ...shape,
  });

export const MAIN = 'main';

/** What the plate says of an adjuster; an unknown one is a bug of the procedure. */
export function adjusterPlate(plate: AnyPlate, adjuster: string): AdjusterPlate {
  const found = adjuster === MAIN ? plate : plate.others?.[adjuster];
  if (!found) throw new Error(`no adjuster ${adjuster} on this plate`);
  return found;
}

export const fittedSpring = ({ springs, fitted_spring }: AdjusterPlate): Spring | undefined =>
  springs.find(({ colour }) => colour === fitted_spring);

export const ratingOf = (plate: AnyPlate, side: Side): number =>
  side === 'inlet' ? plate.inlet_rating_pa : plate.outlet_rating_pa;
