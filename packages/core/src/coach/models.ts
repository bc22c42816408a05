import { inTurns, paPerTurn, type Rate, type Turns } from '../quantity';
import type { Direction } from '../valve';

export type RatePrior = {
  /** Pa per turn, positive: the direction stands apart. */
  readonly rate: Rate;
  readonly sdFraction: number;
  readonly direction: Direction;
  /** Probability that the direction of the plate is right, 0.5 … 1. */
  readonly directionTrust: number;
  readonly from: 'sheets' | 'fleet' | 'spring' | 'family';
  /** How many valves of its kind have taught it, where the fleet has. */
  readonly valves?: number | undefined;
  /** 1, the first: one rate with its spread, every reading true. Runs say which they were begun with. */
  readonly model?: 2 | undefined;
};

/** What the coach holds possible between a hand, a spring, a screw and an eye. */
export type Noise = {
  /** Of the change of rate along one turn, as a share of it: springs are not straight. */
  readonly wander: number;
  /** Of where the valve comes to rest, as a share of the pressure: it sticks and slips. */
  readonly slip: number;
  /** Share of readings that are read wrong, and their standard deviation as a share of the reading. */
  readonly wildShare: number;
  readonly wildSd: number;
};
/** A hand: standard deviation of how far it turns against what was asked, turns. */
type PossibleHand = { readonly sd: Turns; readonly weight: number };
type PossibleRate = { readonly rate: Rate; readonly sd: Rate; readonly weight: number };
type Model = {
  readonly noise: Noise;
  /** Widths of play that are held possible, each as likely, turns. */
  readonly backlashes: readonly Turns[];
  /** The hands that are held possible; their weights are together 1. */
  readonly hands: readonly PossibleHand[];
  /** The rates that are held possible; their weights are together 1. */
  readonly ratesOf: (
    prior: Pick<RatePrior, 'rate' | 'sdFraction' | 'from'>,
  ) => readonly PossibleRate[];
};

type Spread = readonly (readonly [times: number, sdFraction: number, weight: number])[];

/** A chart may be of another spring: what it says is likely, half and twice of it are possible. */
const byChart: Spread = [
  [0.46, 0.13, 0.03],
  [0.6, 0.13, 0.07],
  [0.78, 0.13, 0.2],
  [1, 0.13, 0.4],
  [1.28, 0.13, 0.2],
  [1.65, 0.13, 0.07],
  [2.1, 0.13, 0.03],
];
/** Nothing is known but what such valves do: a third to three times of it. */
const byFamily: Spread = [
  [0.3, 0.2, 0.08],
  [0.45, 0.2, 0.12],
  [0.67, 0.2, 0.19],
  [1, 0.2, 0.22],
  [1.5, 0.2, 0.19],
  [2.2, 0.2, 0.12],
  [3.3, 0.2, 0.08],
];
/** What the valve itself has shown; a spring may have been changed, or have lost its set, since. */
const bySheets = (sdFraction: number): Spread => [
  [1, sdFraction, 0.99],
  [0.6, 0.2, 0.005],
  [1.6, 0.2, 0.005],
];

/** What others of its kind have shown; this one may have another spring than its plate says. */
const byFleet = (sdFraction: number): Spread => [
  [1, sdFraction, 0.96],
  [0.62, 0.2, 0.02],
  [1.6, 0.2, 0.02],
];

const spreadOf = ({ from, sdFraction }: Pick<RatePrior, 'from' | 'sdFraction'>): Spread =>
  ({
    sheets: bySheets(sdFraction),
    fleet: byFleet(sdFraction),
    spring: byChart,
    family: byFamily,
  })[from];

/**
 * How the coach reasons, by version: a run is thought through for ever by the one that it was begun with.
 *
 * 1: one rate with its spread; every reading is what it was. 2: several rates, a hand and a spring that are
 * worse than one thinks, and readings that may be wrong.
 */
export const coachModels = {
  1: {
    backlashes: [
      inTurns(0),
      inTurns(0.04),
      inTurns(0.08),
      inTurns(0.12),
      inTurns(0.16),
      inTurns(0.2),
      inTurns(0.25),
      inTurns(0.3),
      inTurns(0.4),
    ],
    hands: [{ sd: inTurns(0.04), weight: 1 }],
    noise: { wander: 0.07, slip: 0, wildShare: 0, wildSd: 0 },
    ratesOf: ({ rate, sdFraction }) => [{ rate, sd: paPerTurn(rate * sdFraction), weight: 1 }],
  },
  2: {
    backlashes: [
      inTurns(0),
      inTurns(0.06),
      inTurns(0.12),
      inTurns(0.19),
      inTurns(0.28),
      inTurns(0.4),
    ],
    hands: [
      { sd: inTurns(0.04), weight: 0.8 },
      { sd: inTurns(0.09), weight: 0.2 },
    ],
    noise: { wander: 0.1, slip: 0.005, wildShare: 0.02, wildSd: 0.12 },
    ratesOf: (prior) =>
      spreadOf(prior).map(([times, sdFraction, weight]) => ({
        rate: paPerTurn(prior.rate * times),
        sd: paPerTurn(prior.rate * times * sdFraction),
        weight,
      })),
  },
} satisfies Record<number, Model>;
