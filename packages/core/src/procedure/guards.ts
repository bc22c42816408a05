import type { HouseRules, Plate, Target } from '../valve';
import { minFlowFor } from '../valve';

/** What guards and conditions look at: frozen facts of the run, and what has been seen so far. */
export type ProcedureFacts = {
  readonly plate: Plate;
  readonly target: Target;
  readonly rules: HouseRules;
  readonly inlet: number | undefined;
  readonly outlet: number | undefined;
  /** m³/s, measured. */
  readonly flow: number | undefined;
  /** Judged by eye where it cannot be measured. */
  readonly flowJudged: 'strong' | 'weak' | undefined;
  readonly settingDone: boolean;
  readonly openEnds: readonly string[];
};

/** met, or why not; `unknown` blocks too: the figure has still to be given. */
export type GuardOutcome =
  | { readonly state: 'met' }
  | { readonly state: 'unknown'; readonly guard: string }
  | { readonly state: 'unmet'; readonly guard: string; readonly have?: number; readonly want?: number };

type Guard = (facts: ProcedureFacts) => Omit<GuardOutcome & { have?: number; want?: number }, 'guard'>;

const atLeast = (have: number | undefined, want: number): ReturnType<Guard> =>
  have === undefined
    ? { state: 'unknown' }
    : have >= want
      ? { state: 'met' }
      : { state: 'unmet', have, want };

const MET = { state: 'met' } as const;

export const guards: Readonly<Record<string, Guard>> = {
  inlet_above_target: ({ inlet, target, plate }) =>
    atLeast(inlet, target.set_point_pa + plate.min_differential_pa),
  flow_above_min: ({ flow, flowJudged, plate, rules }) =>
    flow === undefined && flowJudged === 'strong'
      ? MET
      : atLeast(flow, minFlowFor(plate.size_dn, rules.min_flow)),
  set_in_lane: ({ settingDone }) => (settingDone ? MET : { state: 'unmet' }),
  no_open_ends: ({ openEnds }) =>
    openEnds.length === 0 ? MET : { state: 'unmet', have: openEnds.length, want: 0 },
};

export const conditions: Readonly<Record<string, (facts: Pick<ProcedureFacts, 'plate'>) => boolean>> = {
  no_approval: ({ plate }) => plate.approval === undefined,
};

/** Outcomes of a step's guards that do not hold; empty when it may be confirmed. */
export const unmetGuards = (
  needs: readonly string[] | undefined,
  facts: ProcedureFacts,
): readonly GuardOutcome[] =>
  (needs ?? [])
    .map((guard) => ({ guard, ...guards[guard]!(facts) }) as GuardOutcome)
    .filter(({ state }) => state !== 'met');
