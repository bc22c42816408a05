import type { Positions } from '../procedure';

/** What a plant shows to the world at one moment; SI. */
export type PlantOutputs = {
  readonly inlet: number;
  readonly outlet: number;
  /** m³/s through the valve. */
  readonly flow: number;
  /** m³/s out of the pilot's vent. */
  readonly vent: number;
  /** Opening of the main valve, 0 … 1: at 1 it is wide open and not in control. */
  readonly opening: number;
  /** Share of the main's volume that is full, 0 … 1. */
  readonly fill: number;
};

/** A family's plant: a small system of ordinary differential equations and how it is read. */
export type Plant<P> = {
  readonly initial: (params: P, inputs: Positions, setPoint: number) => number[];
  readonly scale: readonly number[];
  readonly derivative: (
    params: P,
    inputs: Positions,
    setPoint: number,
  ) => (state: readonly number[], t: number, out: number[]) => void;
  /** States kept in their physical range after each step. */
  readonly clamp: (params: P, state: number[]) => number[];
  readonly outputs: (
    params: P,
    inputs: Positions,
    setPoint: number,
    state: readonly number[],
  ) => PlantOutputs;
};
