import type { Positions } from './positions';

/** What a plant shows to the world at one moment; SI. */
export type PlantOutputs = {
  readonly inlet: number;
  readonly outlet: number;
  /** m³/s through the valve. */
  readonly flow: number;
  /** m³/s out of the pilot's vent. */
  readonly vent: number;
  /** Opening of the valve, 0 … 1. */
  readonly opening: number;
  /** Share of the main's volume that is full, or of a positioner's supply that stands at its output, 0 … 1. */
  readonly fill: number;
  /** False while the valve stands wide open and its setting does not rule the gauge. */
  readonly isInControl: boolean;
};
/** Set points of the adjusters by their id, kPa. */
export type Settings = Readonly<Record<string, number>>;

/** A plant: a small system of ordinary differential equations and how it is read. Inside: kPa, L/s, s. */
export type Plant<P> = {
  readonly initial: (params: P, inputs: Positions, settings: Settings) => number[];
  readonly scale: (params: P) => readonly number[];
  readonly derivative: (
    params: P,
    inputs: Positions,
    settings: Settings,
  ) => (state: readonly number[], t: number, out: number[]) => void;
  /** States kept in their physical range after each step. */
  readonly clamp: (params: P, state: number[]) => number[];
  readonly outputs: (
    params: P,
    inputs: Positions,
    settings: Settings,
    state: readonly number[],
  ) => PlantOutputs;
};

/** A position between 0 and 1; words and nonsense count as 0. */
export const positionOf = (inputs: Positions, key: string): number => {
  const value = Number(inputs[key]);
  return Number.isFinite(value) ? Math.min(1, Math.max(0, value)) : 0;
};

export const limit = (value: number, low: number, high: number): number =>
  Math.min(high, Math.max(low, value));

/** √ of a difference, straight near zero so that a system stays smooth. */
export const root = (dp: number, soft = 9): number => dp / Math.sqrt(Math.abs(dp) + soft);
