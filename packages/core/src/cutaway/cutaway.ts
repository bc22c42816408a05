/**
 * A valve cut open: a small mechanism that is turned, pressed and broken, and shows its forces. Ten
 * times slower than a real one, so that an eye can follow. Inside: kPa, L/s, mm, N, s.
 *
 *     hands (knob, supply, draw, fault) ──▶ step ──▶ state ──▶ view: pressures, lift, forces
 */
export const cutawayKinds = ['direct', 'pilot', 'relief'] as const;
export type CutawayKind = (typeof cutawayKinds)[number];

export const cutawayFaults = {
  direct: ['torn_diaphragm', 'dirt_on_seat', 'blocked_vent', 'damper_lost'],
  pilot: [
    'needle_plugged',
    'pilot_diaphragm_torn',
    'sensing_line_shut',
    'dirt_on_pilot_seat',
    'air_in_chamber',
  ],
  relief: ['dirt_on_seat', 'discharge_shut', 'stuck_disc'],
} as const satisfies Record<CutawayKind, readonly string[]>;
export type CutawayFault = (typeof cutawayFaults)[CutawayKind][number];

/** What a person does to it. */
export type CutawayHands = {
  /** Turns in from free, 0 … `KNOB_TURNS`. */
  readonly knob: number;
  /** Share of the supply that is on, 0 … 1; of the pump's inflow at a relief. */
  readonly supply: number;
  /** Share of the greatest draw downstream, 0 … 1. */
  readonly draw: number;
  readonly fault: CutawayFault | null;
};

/** Where the knob meets its stop, turns in from free. */
export const KNOB_TURNS = 12;

/** A force along the stem. */
export type CutawayForce = {
  readonly id: 'spring' | 'outlet' | 'inlet' | 'chamber' | 'back_pressure' | 'sensed';
  readonly newtons: number;
  /** It pushes towards open. */
  readonly opens: boolean;
};

/** What it is doing, in one word for the sentence under the picture. */
export type CutawayDoing =
  | 'no_supply'
  | 'spring_free'
  | 'opening'
  | 'closing'
  | 'balanced'
  | 'wide_open'
  | 'locked_up'
  | 'passing'
  | 'venting'
  | 'waiting'
  | 'held_down'
  | 'relieving'
  | 'dribbling';

export type CutawayView = {
  /** Pa gauge. */
  readonly inlet: number;
  readonly outlet: number;
  /** Pa gauge over the main valve's diaphragm; only a pilot-operated valve has one. */
  readonly chamber?: number;
  /** 0 … 1 of full travel. */
  readonly lift: number;
  /** Of the pilot, 0 … 1. */
  readonly pilotLift?: number;
  /** m³/s through the seat. */
  readonly flow: number;
  /** Blows out of the bonnet's vent. */
  readonly vents: boolean;
  readonly forces: readonly CutawayForce[];
  readonly doing: CutawayDoing;
};

/** A look to begin with: what is set up, to see one thing. */
export type CutawayLook = {
  readonly id: string;
  readonly hands: Partial<CutawayHands>;
};

export type Mechanism = {
  readonly rest: readonly number[];
  /** One small step of `STEP` s. */
  readonly step: (state: readonly number[], hands: CutawayHands) => number[];
  readonly view: (state: readonly number[], hands: CutawayHands) => CutawayView;
  /** Changes of the states, in their own units, that an eye does not see. */
  readonly stillness: readonly number[];
  readonly looks: readonly CutawayLook[];
};

/** s. */
export const STEP = 1e-3;

/** √ of a difference with its sign, straight near zero. */
export const throttled = (dp: number): number => dp / Math.sqrt(Math.abs(dp) + 4);

/** Net force towards open, N. */
export const netForce = (forces: readonly CutawayForce[]): number =>
  forces.reduce((sum, { newtons, opens }) => sum + (opens ? newtons : -newtons), 0);
