/** Guards that a step of any kind may name in its `needs`. */
export const sharedGuards = [
  'inlet_above_target',
  'flow_above_min',
  'overdemand',
  'pump_above_target',
  'small_flow',
  'supply_right',
  'line_at_target',
  'gauge_stayed',
  'suction_below',
  'no_open_ends',
] as const;
export type GuardName = (typeof sharedGuards)[number];

/** What a kind asks for of itself before it may be confirmed. */
export const kindGuards = [
  'set_in_lane',
  'has_cracked',
  'cycles_captured',
  'right_spring',
  'points_whole',
  'linkage_holds',
  'band_holds',
  'switch_cycles',
  'edges_found',
  'lit_late',
  'aligned',
  'tuned',
  'volts_left',
  'terminals_right',
  'registers_right',
  'stroke_found',
  'tuned_for_trim',
] as const;
export type KindGuardName = (typeof kindGuards)[number];
export type AnyGuardName = GuardName | KindGuardName;

/** Whether a guard holds; `unknown` blocks too: the figure has still to be given. */
export type GuardState =
  | { readonly state: 'met' }
  | { readonly state: 'unknown' }
  | { readonly state: 'unmet'; readonly have?: number; readonly want?: number };

/** met, or why not. */
export type GuardOutcome = GuardState & { readonly guard: AnyGuardName };

export const MET: GuardState = { state: 'met' };
export const metWhen = (holds: boolean): GuardState => (holds ? MET : { state: 'unmet' });
/** None may be left. */
export const noneLeft = (have: number): GuardState =>
  have === 0 ? MET : { state: 'unmet', have, want: 0 };
export const atLeast = (have: number | undefined, want: number): GuardState =>
  have === undefined ? { state: 'unknown' } : have >= want ? MET : { state: 'unmet', have, want };
/** An answer that has to be one word. */
export const answered = (answer: string | undefined, wanted: string): GuardState =>
  answer === undefined ? { state: 'unknown' } : metWhen(answer === wanted);
