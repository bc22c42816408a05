/**
 * SI numbers by kind. The tag is optional, so plain arithmetic flows in, but one kind
 * never passes for another: an absolute pressure is refused where a gauge one is asked.
 */
type Kind<K extends string> = number & { readonly __kind?: K };

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
/** K. */
export type Temperature = Kind<'Temperature'>;
/** s. */
export type Seconds = Kind<'Seconds'>;

export const gaugePa = (pa: number): GaugePressure => pa;
export const absolutePa = (pa: number): AbsolutePressure => pa;
export const kPa = (value: number): GaugePressure => value * 1000;
