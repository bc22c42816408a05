/**
 * SI numbers by kind. A plain number does not pass for one of them, nor one kind for another: they are
 * made by the constructors below and by what parses text, and arithmetic on them gives plain numbers.
 */
declare const kind: unique symbol;
type Kind<K extends string> = number & { readonly [kind]: K };

/** Pa above (or, negative, below) the air outside. */
export type GaugePressure = Kind<'GaugePressure'>;
/** Pa above nothing, ≥ 0. */
export type AbsolutePressure = Kind<'AbsolutePressure'>;
/** Pa between two pressures. */
export type PressureDifference = Kind<'PressureDifference'>;
/** m³/s. */
export type Flow = Kind<'Flow'>;
/** Whole turns of an adjuster, clockwise positive. */
export type Turns = Kind<'Turns'>;
/** Pa of set point for a turn clockwise; negative where clockwise lowers. */
export type Rate = Kind<'Rate'>;
/** A. */
export type Current = Kind<'Current'>;
/** V. */
export type Voltage = Kind<'Voltage'>;
/** m. */
export type Length = Kind<'Length'>;
/** K above nothing, > 0. */
export type Temperature = Kind<'Temperature'>;
/** s. */
export type Seconds = Kind<'Seconds'>;

const made =
  <K extends string>() =>
  (value: number): Kind<K> =>
    value as Kind<K>;

export const gaugePa = made<'GaugePressure'>();
export const absolutePa = made<'AbsolutePressure'>();
export const differencePa = made<'PressureDifference'>();
export const cubicMetresPerSecond = made<'Flow'>();
export const inTurns = made<'Turns'>();
export const paPerTurn = made<'Rate'>();
export const amperes = made<'Current'>();
export const volts = made<'Voltage'>();
export const metres = made<'Length'>();
export const kelvin = made<'Temperature'>();
const ICE_POINT = 273.15;
/** From K above melting ice, as thermometers have it. */
export const aboveIce = (degrees: number): Temperature => kelvin(degrees + ICE_POINT);
/** What a thermometer shows at so many K above nothing. */
export const onThermometer = (absolute: number): number => absolute - ICE_POINT;
export const inSeconds = made<'Seconds'>();

export const kPa = (value: number): GaugePressure => gaugePa(value * 1000);
