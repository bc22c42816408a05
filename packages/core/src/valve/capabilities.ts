import { z } from 'zod';
import { signalKinds } from '../quantity';
import { pressureSchema, screwPlateOf, type AnyPlate } from './plate';

/**
 * What a valve can do beyond holding a pressure, as facts of its plate. Whoever needs one asks the
 * plate whether it has them, never which family it is of.
 */

const signal = z.number().min(-1e9).max(1e9);
/** A signal or an output between its two ends, SI; a split range is a part of one. */
export const signalRangeSchema = z.object({ kind: z.enum(signalKinds), low: signal, high: signal });

/** Judged by a table of points: what is set by comparing a signal with a movement. */
const pointsShape = {
  input: signalRangeSchema,
  output: signalRangeSchema,
  action: z.enum(['direct', 'reverse']),
  /** Allowed error, a fraction of span. */
  tolerance_span: z.number().positive().max(0.5),
};
export type PointsFacts = z.infer<z.ZodObject<typeof pointsShape>>;
export type InstrumentPlate = AnyPlate & PointsFacts;
export const isInstrument = (plate: AnyPlate): plate is InstrumentPlate =>
  'tolerance_span' in plate;
export const instrumentPlateOf = <F extends string, S extends z.ZodRawShape>(family: F, shape: S) =>
  screwPlateOf(family, { ...pointsShape, ...shape });

/** The scale that a sliding range arm stands on: its span is a figure there, and no number of turns. */
export const armShape = {
  arm_least: z.number().nonnegative().max(1000).optional(),
  arm_most: z.number().positive().max(1000).optional(),
  arm_division: z.number().positive().max(100).optional(),
};
export type ArmFacts = z.infer<z.ZodObject<typeof armShape>>;
export type ArmScale = { readonly least: number; readonly most: number; readonly division: number };

/** The scale of a plate's range arm; undefined where it has none, or where its figures make no scale. */
export function armScaleOf(plate: AnyPlate & ArmFacts): ArmScale | undefined {
  const { arm_least: least, arm_most: most, arm_division: division } = plate;
  if (least === undefined || most === undefined || division === undefined) return undefined;
  return least < most && division <= most - least ? { least, most, division } : undefined;
}

/** Moves a stem by air, rather than a pointer. */
export const movesStem = (plate: AnyPlate): boolean => 'air_to' in plate;

/** Makes and breaks a contact between two pressures. */
export const contactShape = {
  /** Additive: the scale shows cut-in; subtractive: it shows cut-out. */
  scale: z.enum(['additive', 'subtractive']),
  /** What is printed at the scale, by which the kind was found. */
  printed: z.string().max(80),
  serves_as: z.enum(['operating', 'limit']),
  manual_reset: z.boolean(),
};
export type ContactPlate = AnyPlate & z.infer<z.ZodObject<typeof contactShape>>;
export const hasContact = (plate: AnyPlate): plate is ContactPlate => 'manual_reset' in plate;

/** Feeds a flame that lights between two edges. */
export const flameShape = {
  /** Pilot gas that the burner’s maker allows. */
  maker_low_pa: pressureSchema,
  maker_high_pa: pressureSchema,
  /** Trial for ignition, s. */
  trial_s: z.number().positive().max(60),
};
export type FlamePlate = AnyPlate & z.infer<z.ZodObject<typeof flameShape>>;
export const hasFlame = (plate: AnyPlate): plate is FlamePlate => 'trial_s' in plate;

/** Controls by a proportional band and a reset. */
export const bandShape = {
  /** Its output, and the settings it is found with. */
  out: signalRangeSchema,
  band_percent: z.number().positive().max(10_000),
  reset_minutes: z.number().positive().max(1000),
};
export type BandPlate = InstrumentPlate & z.infer<z.ZodObject<typeof bandShape>>;
export const hasBand = (plate: AnyPlate): plate is BandPlate => 'band_percent' in plate;

const volts = z.number().positive().max(1000);
/** A pair of conductors and what hangs on it; what the end needs at the least stands on its own plate. */
export const cableSchema = z.object({
  supply_v: volts,
  needs_v: volts,
  load_ohm: z.number().nonnegative().max(1e5),
  current_a: z.number().positive().max(100),
  length_m: z.number().positive().max(20_000),
  area_m2: z.number().positive().max(1e-3),
  at_k: z.number().min(200).max(400),
});
export type CablePlate = z.infer<typeof cableSchema>;

export const applications = ['reducing', 'back_pressure'] as const;
/** Electronics on an actuator, keyed in register by register. */
export const electronicsShape = {
  application: z.enum(applications),
  /** Of the sensor, 4 to 20 mA, and of the actuator. */
  loop: cableSchema,
  power: cableSchema,
  /** s and counts from shut to open, as the actuator’s plate has them. */
  stroke_s: z.number().positive().max(3600),
  stroke_counts: z.number().int().min(100).max(65_535),
  trim: z.string().min(1).max(60),
  /** The trim with which it last tuned itself; absent when it never did. */
  tuned_trim: z.string().max(60).optional(),
  log_interval_s: z.number().int().min(1).max(65_535),
  card_bytes: z.number().positive().max(1e12),
};
export type ElectronicsPlate = InstrumentPlate & z.infer<z.ZodObject<typeof electronicsShape>>;
export const hasElectronics = (plate: AnyPlate): plate is ElectronicsPlate =>
  'stroke_counts' in plate;
