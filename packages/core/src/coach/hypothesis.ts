import type { GaugePressure, Rate, Turns } from '../quantity';

/** One filter of the mixture: what is believed if the play and the direction are these. */
export type Hypothesis = {
  readonly backlash: Turns;
  /** Where the carried part lies in the play: 0 … backlash, as a screw position. */
  readonly carried: Turns;
  readonly weight: number;
  readonly setPoint: GaugePressure;
  readonly rate: Rate;
  readonly varSetPoint: number;
  readonly covariance: number;
  readonly varRate: number;
  /** Standard deviation of how far this hand turns against what was asked, turns. */
  readonly hand: Turns;
};
