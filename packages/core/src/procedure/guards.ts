import type { HouseRules, Plate, Target } from '../valve';
import { chooseSpring, instrumentRules, minFlowFor } from '../valve';

/** What guards and conditions look at: frozen facts of the run, and what has been seen so far. */
export type ProcedureFacts = {
  readonly plate: Plate;
  /** Of the step's adjuster, else of the leading one. */
  readonly target: Target;
  readonly rules: HouseRules;
  readonly inlet: number | undefined;
  readonly outlet: number | undefined;
  /** Pressure of the line at which a relief is looked for. */
  readonly line: number | undefined;
  /** m³/s, measured. */
  readonly flow: number | undefined;
  /** Judged by eye where it cannot be measured. */
  readonly flowJudged: 'strong' | 'weak' | undefined;
  readonly settingDone: boolean;
  readonly openEnds: readonly string[];
  /** Figures and answers given so far, by their key. */
  readonly measured: Readonly<Record<string, number>>;
  readonly observed: Readonly<Record<string, string | undefined>>;
  /** Whether this step's search has seen the valve crack; how many whole cycles its capture has. */
  readonly hasCracked: boolean;
  readonly cyclesCaptured: number;
  readonly cyclesWanted: number;
  /** Whether this step's table has all its points, and whether zero and span hold. */
  readonly pointsLeft: number;
  readonly linkageHolds: boolean;
  /** Whether both edges of the flame are known; whole cycles of a switch, and whether its band holds. */
  readonly edgesFound: boolean;
  readonly switchCycles: number;
  readonly bandHolds: boolean;
  /** Whether the sweep of the band is flat; whether a step test was fitted and its settings dialled. */
  readonly isAligned: boolean;
  readonly isTuned: boolean;
  /** Whether both cables leave volts over; terminals not yet seen right; registers not yet as wanted. */
  readonly voltsLeft: boolean;
  readonly terminalsLeft: number;
  readonly registersLeft: number;
  /** Whether both ends of the stroke are where the plate says; whether it is tuned for the trim that is in it. */
  readonly strokeFound: boolean;
  readonly isTunedForTrim: boolean;
  /** Colour of the spring that is in the adjuster now. */
  readonly springNow: string;
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

/** An answer that has to be yes. */
const yes = (answer: string | undefined): ReturnType<Guard> =>
  answer === undefined ? { state: 'unknown' } : answer === 'yes' ? MET : { state: 'unmet' };

export const guards: Readonly<Record<string, Guard>> = {
  inlet_above_target: ({ inlet, target, plate }) =>
    atLeast(inlet, target.set_point_pa + plate.min_differential_pa),
  flow_above_min: ({ flow, flowJudged, plate, rules }) =>
    flow === undefined && flowJudged === 'strong'
      ? MET
      : atLeast(flow, minFlowFor(plate.size_dn, rules.min_flow)),
  set_in_lane: ({ settingDone }) => (settingDone ? MET : { state: 'unmet' }),
  has_cracked: ({ hasCracked }) => (hasCracked ? MET : { state: 'unmet' }),
  cycles_captured: ({ cyclesCaptured, cyclesWanted }) =>
    cyclesCaptured >= cyclesWanted ? MET : { state: 'unmet', have: cyclesCaptured, want: cyclesWanted },
  /** Clearly more outlets open than in normal work. */
  overdemand: ({ measured, rules }) => {
    const { outlets_normal: normal, outlets_open: open } = measured;
    if (normal === undefined || open === undefined) return { state: 'unknown' };
    return atLeast(open, normal * rules.overdemand_factor);
  },
  /** The pump runs above what is to be sustained, or there is nothing to sustain. */
  pump_above_target: ({ inlet, target }) => atLeast(inlet, target.set_point_pa),
  small_flow: ({ observed }) => yes(observed['small_flow']),
  supply_right: ({ observed }) => yes(observed['supply_ok']),
  right_spring: ({ plate, target, springNow }) => {
    const choice = chooseSpring(plate.springs, Math.abs(target.set_point_pa));
    return choice.ok && choice.value.some(({ spring }) => spring.colour === springNow)
      ? MET
      : { state: 'unmet' };
  },
  line_at_target: ({ line, target }) => atLeast(line, target.set_point_pa - target.tolerance_pa),
  gauge_stayed: ({ observed }) =>
    observed['gauge_moved'] === undefined
      ? { state: 'unknown' }
      : observed['gauge_moved'] === 'no'
        ? MET
        : { state: 'unmet' },
  points_whole: ({ pointsLeft }) => (pointsLeft === 0 ? MET : { state: 'unmet', have: pointsLeft, want: 0 }),
  aligned: ({ isAligned }) => (isAligned ? MET : { state: 'unmet' }),
  tuned: ({ isTuned }) => (isTuned ? MET : { state: 'unmet' }),
  edges_found: ({ edgesFound }) => (edgesFound ? MET : { state: 'unmet' }),
  band_holds: ({ bandHolds }) => (bandHolds ? MET : { state: 'unmet' }),
  switch_cycles: ({ switchCycles, cyclesWanted }) =>
    switchCycles >= cyclesWanted ? MET : { state: 'unmet', have: switchCycles, want: cyclesWanted },
  /** With the control shut off, suction must fall below the set point by a margin: else the gauge shows the system. */
  suction_below: ({ line, target, rules }) => {
    const most = target.set_point_pa - instrumentRules(rules).suction_margin_pa;
    if (line === undefined) return { state: 'unknown' };
    return line <= most ? MET : { state: 'unmet', have: line, want: most };
  },
  volts_left: (facts) => (facts.voltsLeft ? MET : { state: 'unmet' }),
  terminals_right: ({ terminalsLeft: have }) => (have === 0 ? MET : { state: 'unmet', have, want: 0 }),
  registers_right: ({ registersLeft: have }) => (have === 0 ? MET : { state: 'unmet', have, want: 0 }),
  stroke_found: ({ strokeFound }) => (strokeFound ? MET : { state: 'unmet' }),
  tuned_for_trim: ({ isTunedForTrim }) => (isTunedForTrim ? MET : { state: 'unmet' }),
  lit_late: ({ observed }) => yes(observed['lit_late']),
  linkage_holds: ({ linkageHolds }) => (linkageHolds ? MET : { state: 'unmet' }),
  no_open_ends: ({ openEnds }) =>
    openEnds.length === 0 ? MET : { state: 'unmet', have: openEnds.length, want: 0 },
};

export const conditions: Readonly<Record<string, (plate: Plate) => boolean>> = {
  no_approval: ({ approval }) => approval === undefined,
  combined: ({ others }) => others?.['reducing'] !== undefined,
  has_compensator: ({ others }) => others?.['compensator'] !== undefined,
  has_cross_ports: ({ others }) => others?.['cross_a'] !== undefined && others['cross_b'] !== undefined,
  vacuum: (plate) => plate.family === 'relief_spring' && plate.service === 'vacuum',
  pilot_loaded: (plate) => plate.family === 'gas' && plate.loading === 'pilot',
};

/** Outcomes of a step's guards that do not hold; empty when it may be confirmed. */
export const unmetGuards = (
  needs: readonly string[] | undefined,
  facts: ProcedureFacts,
): readonly GuardOutcome[] =>
  (needs ?? [])
    .map((guard) => ({ guard, ...guards[guard]!(facts) }) as GuardOutcome)
    .filter(({ state }) => state !== 'met');
