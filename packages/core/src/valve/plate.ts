import { z } from 'zod';
import { signalKinds } from '../quantity';

const pressure = z.number().min(-101_325).max(1e9);
const text = z.string().max(400);
const id = z.string().min(1).max(40);

export const directionSchema = z.enum(['raises', 'lowers', 'unknown']);
export type Direction = z.infer<typeof directionSchema>;

export const springSchema = z.object({
  colour: z.string().min(1).max(40),
  from_pa: pressure,
  to_pa: pressure,
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

/** What every plate says. The leading adjuster stands on the plate itself, further ones under `others`. */
const plateShape = {
  ...adjusterShape,
  others: z.record(id, adjusterPlateSchema).optional(),
  size_dn: z.number().min(3).max(2000),
  /** Highest pressure that either side may ever see. */
  outlet_rating_pa: pressure,
  inlet_rating_pa: pressure,
  min_differential_pa: z.number().nonnegative().max(1e7),
  accessories: z.array(z.string().min(1).max(80)).max(20),
  /** Fire-service approval: only the accessories named in it may be fitted. */
  approval: z.object({ scheme: text, accessories: z.array(z.string().max(80)).max(20) }).optional(),
  factory_set_point_pa: pressure.optional(),
};
const plateOf = <F extends string, S extends z.ZodRawShape>(family: F, shape: S) =>
  z.object({ family: z.literal(family), ...plateShape, ...shape });

export const reducingPlateSchema = plateOf('reducing', {});
export type ReducingPlate = z.infer<typeof reducingPlateSchema>;

export const sustainingPlateSchema = plateOf('sustaining', {
  /** Pressure of the pump in normal running, and below which it cavitates. */
  pump_running_pa: pressure,
  cavitation_pa: pressure,
});
export type SustainingPlate = z.infer<typeof sustainingPlateSchema>;

export const pilotReliefPlateSchema = plateOf('relief_pilot', {
  /** Of the line in normal work: the relief must be shut at it. */
  working_pa: pressure,
});
export type PilotReliefPlate = z.infer<typeof pilotReliefPlateSchema>;

export const springReliefPlateSchema = plateOf('relief_spring', {
  service: z.enum(['pressure', 'vacuum']),
  /** Greatest pressure of the machine by its plate, in standard air; negative for vacuum. */
  machine_max_pa: pressure,
  altitude_m: z.number().min(-430).max(11_000),
  air_k: z.number().min(200).max(400),
  /** The maker's own figure for this altitude and air, when it has been asked for. */
  maker_max_pa: pressure.optional(),
});
export type SpringReliefPlate = z.infer<typeof springReliefPlateSchema>;

export const hydraulicPlateSchema = plateOf('hydraulic', {
  heaviest_load_pa: pressure,
  flow_m3s: z.number().positive().max(10),
});
export type HydraulicPlate = z.infer<typeof hydraulicPlateSchema>;

export const gasPlateSchema = plateOf('gas', {
  loading: z.enum(['pilot', 'spring']),
});
export type GasPlate = z.infer<typeof gasPlateSchema>;

export const services = ['reducing', 'back_pressure', 'relief'] as const;
/** How a self-operated regulator is piped; its sequences are computed from it. */
export const arrangementSchema = z.object({
  service: z.enum(services),
  control_line: z.boolean(),
  bypass: z.boolean(),
  /** Loaded by a spring alone, or by a supply of pressure that is bled first or last. */
  loading: z.enum(['spring', 'bled_first', 'bled_last']),
  vent_piped: z.boolean(),
});
export type Arrangement = z.infer<typeof arrangementSchema>;

export const selfOperatedPlateSchema = plateOf('self_operated', { arrangement: arrangementSchema });
export type SelfOperatedPlate = z.infer<typeof selfOperatedPlateSchema>;

export const suctionPlateSchema = plateOf('suction', {
  refrigerant: z.string().min(1).max(40),
});
export type SuctionPlate = z.infer<typeof suctionPlateSchema>;

export const switchPlateSchema = plateOf('pressure_switch', {
  /** Additive: the scale shows cut-in; subtractive: it shows cut-out. */
  scale: z.enum(['additive', 'subtractive']),
  /** What is printed at the scale, by which the kind was found. */
  printed: z.string().max(80),
  serves_as: z.enum(['operating', 'limit']),
  manual_reset: z.boolean(),
});
export type SwitchPlate = z.infer<typeof switchPlateSchema>;

export const burnerPlateSchema = plateOf('burner_pilot', {
  /** Pilot gas that the burner’s maker allows. */
  maker_low_pa: pressure,
  maker_high_pa: pressure,
  /** Trial for ignition, s. */
  trial_s: z.number().positive().max(60),
});
export type BurnerPlate = z.infer<typeof burnerPlateSchema>;

const signal = z.number().min(-1e9).max(1e9);
/** A signal or an output between its two ends, SI; a split range is a part of one. */
export const signalRangeSchema = z.object({ kind: z.enum(signalKinds), low: signal, high: signal });

/** A screw without a spring chart: how far a turn goes is learned from the pointer. */
const screwShape = {
  springs: z.array(springSchema).max(0),
  fitted_spring: z.string().max(0),
  clockwise: directionSchema,
  travel_turns: z.number().positive().max(60),
};
/** What is set by comparing a signal with a movement. The leading screw is zero. */
const instrumentOf = <F extends string, S extends z.ZodRawShape>(family: F, shape: S) =>
  z.object({
    family: z.literal(family),
    ...plateShape,
    ...screwShape,
    others: z.record(id, z.object(screwShape)).optional(),
    input: signalRangeSchema,
    output: signalRangeSchema,
    action: z.enum(['direct', 'reverse']),
    /** Allowed error, a fraction of span. */
    tolerance_span: z.number().positive().max(0.5),
    ...shape,
  });

export const positionerPlateSchema = instrumentOf('positioner', {
  /** What air does to the valve; without air it goes the other way. */
  air_to: z.enum(['open', 'close']),
  /** The other half of a split range, when this is one half. */
  split_with: signalRangeSchema.optional(),
});
export type PositionerPlate = z.infer<typeof positionerPlateSchema>;

export const indicatorPlateSchema = instrumentOf('indicator', {});
export type IndicatorPlate = z.infer<typeof indicatorPlateSchema>;

export const controllerPlateSchema = instrumentOf('controller', {
  /** Its output, and the settings it is found with. */
  out: signalRangeSchema,
  band_percent: z.number().positive().max(10_000),
  reset_minutes: z.number().positive().max(1000),
});
export type ControllerPlate = z.infer<typeof controllerPlateSchema>;

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
export const electronicPilotPlateSchema = instrumentOf('electronic_pilot', {
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
});
export type ElectronicPilotPlate = z.infer<typeof electronicPilotPlateSchema>;

export const plateSchema = z.discriminatedUnion('family', [
  reducingPlateSchema,
  sustainingPlateSchema,
  pilotReliefPlateSchema,
  springReliefPlateSchema,
  hydraulicPlateSchema,
  gasPlateSchema,
  selfOperatedPlateSchema,
  suctionPlateSchema,
  switchPlateSchema,
  burnerPlateSchema,
  positionerPlateSchema,
  indicatorPlateSchema,
  controllerPlateSchema,
  electronicPilotPlateSchema,
]);
export type Plate = z.infer<typeof plateSchema>;
export type Family = Plate['family'];
/** A plate whose setting is judged by a table of points. */
export type InstrumentPlate = PositionerPlate | IndicatorPlate | ControllerPlate | ElectronicPilotPlate;
export const isInstrument = (plate: Plate): plate is InstrumentPlate => 'tolerance_span' in plate;
export type PlateOf<F extends Family> = Extract<Plate, { family: F }>;

/**
 * What an adjuster must hold, and why. Of an instrument: the pressure that it works at, a positioner’s
 * air supply or the middle of an indicator’s scale; its errors are judged by `tolerance_span`.
 */
export const targetSchema = z.object({
  set_point_pa: pressure,
  tolerance_pa: z.number().positive().max(1e8),
  /** Never to be passed on the way: the weakest part on that side, or the site's own figure. */
  limit_pa: pressure,
  why: text.min(1),
});
export type Target = z.infer<typeof targetSchema>;
/** Targets of further adjusters by their id. */
export const otherTargetsSchema = z.record(id, targetSchema);

/** What the leading adjuster must hold, and what the further ones must. */
export type Targets = {
  readonly target: Target;
  readonly other_targets?: Readonly<Record<string, Target>> | undefined;
};

export const MAIN = 'main';
/** The target of an adjuster; undefined where none has been given. */
export const targetOf = ({ target, other_targets: others }: Targets, adjuster: string): Target | undefined =>
  adjuster === MAIN ? target : others?.[adjuster];

/** What the plate says of an adjuster; an unknown one is a bug of the procedure. */
export function adjusterPlate(plate: Plate, adjuster: string): AdjusterPlate {
  const found = adjuster === MAIN ? plate : plate.others?.[adjuster];
  if (!found) throw new Error(`no adjuster ${adjuster} on this plate`);
  return found;
}

export const fittedSpring = ({ springs, fitted_spring }: AdjusterPlate): Spring | undefined =>
  springs.find(({ colour }) => colour === fitted_spring);
