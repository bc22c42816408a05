import type { Cause } from '../coach';
import type { RegisterKey } from '../device';
import type { Family, Plate, Side } from '../valve';

/** The same for every family, and the backbone of the screens. */
export const phases = ['ready', 'line_up', 'park', 'set', 'prove', 'lock', 'restore', 'sign'] as const;
export type Phase = (typeof phases)[number];

export const stepKinds = [
  'caution', 'check', 'act', 'ask', 'spring', 'read', 'set', 'search', 'count', 'wait', 'cycle', 'capture', 'table', 'points', 'linkage', 'switching', 'edges', 'clock', 'sweep', 'tune', 'cables', 'terminals', 'registers', 'stroke', 'self_tune', 'lock', 'restore', 'sign',
] as const; // prettier-ignore
export type StepKind = (typeof stepKinds)[number];

export const hazards = [
  'stored_pressure', 'hot_air_or_steam', 'gas', 'noise', 'moving_parts', 'water_discharge', 'refrigerant', 'electric',
] as const; // prettier-ignore
export type Hazard = (typeof hazards)[number];

/** Why a reading is taken: decides where it stands on the sheet. */
export const purposes = [
  'as_found',
  'supply',
  'line',
  'setting',
  'working_flow',
  'no_flow',
  'as_left',
] as const;
export type Purpose = (typeof purposes)[number];

export type GaugeRole = Side;

/** What a step moves on the line: cock or device → position (0 shut … 1 open), or a word. */
export type Positions = Readonly<Record<string, number | string>>;

/** A temporary change that must be put back. `say` names the state, `putBack` the undoing. */
export type OpenEndSpec = {
  readonly id: string;
  readonly say: string;
  readonly putBack: string;
  readonly restores?: Positions;
};

/** What an `ask` step wants to know; kept as evidence or as a figure (SI) under its key. */
export type Question = {
  readonly key: string;
  readonly kind: 'flow' | 'pressure' | 'count' | 'choice' | 'words';
  readonly label: string;
  readonly hint?: string;
  readonly choices?: readonly { readonly value: string; readonly say: string }[];
  /** It may be left unanswered. */
  readonly optional?: boolean;
};

/** Marks of a capture, in the order of one cycle. */
export const marks = ['cracked', 'full_flow', 'reseated'] as const;
export type Mark = (typeof marks)[number];

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
  /** Name of a condition under which the step falls away, or without which it does. */
  readonly unless?: string;
  readonly when?: string;
  /** The step falls away unless this was answered before. */
  readonly onlyIf?: { readonly key: string; readonly value: string };
  /** The step belongs to this school only. */
  readonly school?: string;
  /** What should be seen when it is right. */
  readonly expects?: string;
  readonly does?: Positions;
  readonly role?: GaugeRole;
  readonly purpose?: Purpose;
  readonly adjuster?: string;
  /** cycle: how often; a number, or the name of a house rule. */
  readonly count?: number | 'bleed_cycles' | 'proving_cycles';
  /** cycle: what one cycle moves, in order. */
  readonly cycle?: readonly Positions[];
  readonly asks?: Question;
  /** check: what it means when it is not so; the valve then goes out of service. */
  readonly fails?: string;
  /** search: lower or raise in small moves until the valve is seen to crack. */
  readonly toward?: 'lower' | 'raise';
  /** count: the search whose pressure it counts from. */
  readonly from?: string;
  /** capture: what one cycle does, up and down again, and how often. */
  readonly ramp?: { readonly up: Positions; readonly down: Positions };
  /** set: what is done before and after each turn, said with it. */
  readonly around?: string;
  /** linkage: judged by where the output begins and ends, instead of by its travel. */
  readonly measure?: 'ends';
  /** clock: seconds that must run, by the name of what gives them, and what is asked when they have. */
  readonly clock?: 'late_spark';
  /** registers: what is written, in this order. */
  readonly registers?: readonly RegisterKey[];
  /** table: least number of readings. */
  readonly rows?: number;
};

/** `leaves`: what a run of this school comes to: a setting, or only a sequence carried out. */
export type School = {
  readonly id: string;
  readonly name: string;
  readonly when: string;
  readonly leaves?: 'sequence';
  /** How its result is recorded. */
  readonly method?: 'by_count' | 'by_pressure';
};

/** A cock, selector or throttle of the line as the diagram shows it. */
export type Fitting = {
  readonly key: string;
  readonly name: string;
  readonly kind: 'isolator' | 'cock' | 'throttle' | 'selector' | 'switch';
  /** Where it stands on the line: before or after the valve, on a branch, above it, or round it. */
  readonly at: 'before' | 'after' | 'branch_before' | 'branch_after' | 'above' | 'round';
};

export type Procedure = {
  readonly family: Family;
  readonly version: number;
  readonly schools: readonly School[];
  /** Positions before anybody has touched anything. */
  readonly initial: Positions;
  readonly fittings: readonly Fitting[];
  readonly steps: readonly Step[];
  /** Families whose steps depend on how the valve is piped make them from the plate. */
  readonly build?: (plate: Plate, school: string) => readonly Step[];
  readonly causes: readonly Cause[];
};
