import type { Positions } from '../plant';
import type { Side } from '../valve';
import type { GuardName } from './guard-names';

/** The same for every family, and the backbone of the screens. */
export const phases = [
  'ready',
  'line_up',
  'park',
  'set',
  'prove',
  'lock',
  'restore',
  'sign',
] as const;
export type Phase = (typeof phases)[number];

export const hazards = [
  'stored_pressure',
  'hot_air_or_steam',
  'gas',
  'noise',
  'moving_parts',
  'water_discharge',
  'refrigerant',
  'electric',
] as const;
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

/** A temporary change that must be put back. `say` names the state, `putBack` the undoing. */
export type OpenEndSpec = {
  readonly id: string;
  readonly say: string;
  readonly putBack: string;
  readonly restores?: Positions;
};

/** What every step has; texts hold `{slots}` filled from plate, target, gauges and rules when shown. */
export type StepBase = {
  readonly id: string;
  readonly phase: Phase;
  readonly say: string;
  readonly why?: string;
  readonly caution?: { readonly hazard: Hazard; readonly say: string };
  /** Guards that must hold before the step can be confirmed, besides what its kind asks for. */
  readonly needs?: readonly GuardName[];
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
  /** The adjuster that it is about. */
  readonly adjuster?: string;
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

/** A cock, a selector, a throttle, a switch of the line: what a step may move, and what the drawing of the line shows. */
export type Fitting = {
  readonly key: string;
  readonly name: string;
};
