import type { Cause } from '../coach';
import type { Family } from '../valve';

/** The same for every family, and the backbone of the screens. */
export const phases = ['ready', 'line_up', 'park', 'set', 'prove', 'lock', 'restore', 'sign'] as const;
export type Phase = (typeof phases)[number];

export const stepKinds = [
  'caution', 'check', 'act', 'read', 'set', 'wait', 'cycle', 'table', 'lock', 'restore', 'sign',
] as const; // prettier-ignore
export type StepKind = (typeof stepKinds)[number];

export const hazards = [
  'stored_pressure', 'hot_air_or_steam', 'gas', 'noise', 'moving_parts', 'water_discharge', 'refrigerant',
] as const; // prettier-ignore
export type Hazard = (typeof hazards)[number];

/** Why a reading is taken: decides where it stands on the sheet. */
export const purposes = ['as_found', 'supply', 'setting', 'working_flow', 'no_flow', 'as_left'] as const;
export type Purpose = (typeof purposes)[number];

export type GaugeRole = 'inlet' | 'outlet';

/** What a step moves on the line: cock or device → position (0 shut … 1 open), or a word. */
export type Positions = Readonly<Record<string, number | string>>;

/** A temporary change that must be put back. `say` names the state, `putBack` the undoing. */
export type OpenEndSpec = {
  readonly id: string;
  readonly say: string;
  readonly putBack: string;
  readonly restores?: Positions;
};

/** Texts hold `{slots}` filled from plate, target, gauges and rules when they are shown. */
export type Step = {
  readonly id: string;
  readonly phase: Phase;
  readonly kind: StepKind;
  readonly say: string;
  readonly why?: string;
  readonly caution?: { readonly hazard: Hazard; readonly say: string };
  /** Names of guards that must hold before the step can be confirmed. */
  readonly needs?: readonly string[];
  readonly makes?: readonly OpenEndSpec[];
  readonly closes?: readonly string[];
  /** Name of a condition under which the step falls away. */
  readonly unless?: string;
  /** The step belongs to this school only. */
  readonly school?: string;
  /** What should be seen when it is right. */
  readonly expects?: string;
  readonly does?: Positions;
  readonly role?: GaugeRole;
  readonly purpose?: Purpose;
  readonly adjuster?: string;
  /** cycle: how often; a number, or the name of a house rule. */
  readonly count?: number | 'bleed_cycles';
  /** cycle: what one cycle moves, in order. */
  readonly cycle?: readonly Positions[];
  /** check: a figure or judgement asked for, kept as evidence under this key. */
  readonly asks?: 'flow';
  /** table: least number of readings. */
  readonly rows?: number;
};

export type School = { readonly id: string; readonly name: string; readonly when: string };

export type AdjusterSpec = {
  readonly id: string;
  readonly name: string;
  readonly approach: 'from_below' | 'from_above';
  readonly role: GaugeRole;
};

export type Procedure = {
  readonly family: Family;
  readonly version: number;
  readonly schools: readonly School[];
  readonly adjusters: readonly AdjusterSpec[];
  /** Positions before anybody has touched anything. */
  readonly initial: Positions;
  readonly steps: readonly Step[];
  readonly causes: readonly Cause[];
};
