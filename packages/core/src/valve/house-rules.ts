import { z } from 'zod';
import { pressureUnits } from '../quantity';
import { defaultJudgement, judgementRulesSchema } from './judgement-rules';
import { radioServiceSchema } from './radio-service';
import { defaultVisits, visitRulesSchema, type VisitRules } from './duty';

const fraction = z.number().min(0).max(1);

/** Minimum flow by nominal size, m³/s: rows rising in size. */
const minFlowRow = z.object({ size_dn: z.number().positive(), flow_m3s: z.number().positive() });

/** Figures for what is set by points, by a band or by a flame. */
export const instrumentRulesSchema = z.object({
  span_factor: z.number().min(1).max(20),
  positioner_span_factor: z.number().min(1).max(20),
  angularity_factor: z.number().min(1).max(50),
  /** Finest step of a travel or pointer scale that an eye reads, fraction of span. */
  scale_reading: z.number().positive().max(0.1),
  switch_differential_least_pa: z.number().nonnegative().max(1e8),
  suction_margin_pa: z.number().nonnegative().max(1e8),
  purge_s: z.number().positive().max(3600),
  lights_most: z.number().int().min(2).max(100),
  light_fail_cost: z.number().min(1).max(50),
  late_spark_share: z.number().positive().max(1),
  loop_headroom_v: z.number().nonnegative().max(50),
  alignment_tolerance_pa: z.number().positive().max(1e6).default(1724),
});
export type InstrumentRules = z.infer<typeof instrumentRulesSchema>;

export const defaultInstrumentRules: InstrumentRules = {
  span_factor: 2,
  positioner_span_factor: 1.2,
  angularity_factor: 5,
  scale_reading: 0.002,
  switch_differential_least_pa: 10_000,
  suction_margin_pa: 60_000,
  purge_s: 60,
  lights_most: 24,
  light_fail_cost: 3,
  late_spark_share: 0.5,
  loop_headroom_v: 3,
  // A quarter of a pound per square inch.
  alignment_tolerance_pa: 1724,
};

/** How far gas may rise and stay when nothing flows: below a pressure by one rule, above it by another. */
export const gasLockupSchema = z.object({
  low_below_pa: z.number().positive().max(1e6),
  low_fraction: fraction,
  low_least_pa: z.number().nonnegative().max(1e6),
  fraction,
  least_pa: z.number().nonnegative().max(1e6),
});
export type GasLockupRules = z.infer<typeof gasLockupSchema>;

export const defaultGasLockup: GasLockupRules = {
  low_below_pa: 10_000,
  low_fraction: 0.15,
  low_least_pa: 300,
  fraction: 0.1,
  least_pa: 2000,
};

/** How an outlet with nothing flowing is watched. */
export const noFlowWatchSchema = z.object({
  /** It is watched no longer than this, s, told or not. */
  longest_s: z.number().positive().max(3600),
  /** From so many divisions a minute on, a rise that goes on is creep. */
  creep_divisions_per_min: z.number().positive().max(60),
});

export type NoFlowWatchRules = z.infer<typeof noFlowWatchSchema>;

export const defaultNoFlowWatch: NoFlowWatchRules = {
  longest_s: 180,
  creep_divisions_per_min: 1.5,
};

/**
 * The owner's figures: ordinary trade defaults, each one editable. The maker's manual, the local
 * code and the licensed person outrank every one of them.
 */
export const houseRulesSchema = z.object({
  gauge_low_fraction: fraction,
  gauge_high_fraction: fraction,
  tur_wanted: z.number().positive().max(100),
  tur_least: z.number().positive().max(100),
  lockup_fraction: fraction,
  lockup_least_pa: z.number().nonnegative().max(1e7),
  default_tolerance_fraction: z.number().positive().max(0.5),
  limit_over_target_fraction: z.number().positive().max(1),
  chance_past_limit: z.number().positive().max(0.5),
  chance_past_lane: z.number().positive().max(0.5),
  spring_rate_sd_fraction: z.number().positive().max(2),
  family_rate_sd_fraction: z.number().positive().max(2),
  sheet_rate_sd_fraction: z.number().positive().max(2),
  family_rate_pa_per_turn: z.number().positive().max(1e8),
  direction_trust: z.number().min(0.5).max(1),
  bleed_cycles: z.number().int().min(1).max(20),
  largest_turn: z.number().positive().max(20),
  settle_wait_s: z.number().positive().max(3600),
  typed_apart_s: z.number().positive().max(3600),
  no_flow_record_s: z.number().positive().max(3600),
  compensator_over_load_pa: z.number().nonnegative().max(1e8),
  main_relief_over_compensator_pa: z.number().nonnegative().max(1e8),
  cross_port_over_least_pa: z.number().nonnegative().max(1e8),
  cross_port_over_most_pa: z.number().nonnegative().max(1e8),
  parked_low_pa: z.number().positive().max(1e8),
  overdemand_factor: z.number().min(1).max(10),
  proving_cycles: z.number().int().min(1).max(20),
  blowdown_most: fraction,
  search_turn: z.number().positive().max(1),
  months_between_visits: z.number().int().min(1).max(120),
  min_flow: z.array(minFlowRow).min(1).max(40),
  /** Absent in what was frozen before there were any: gas was judged as water then. */
  lockup_gas: gasLockupSchema.optional(),
  /** Absent in what was frozen before there was any: a record was judged then by what fits it best. */
  no_flow_watch: noFlowWatchSchema.optional(),
  /** Lights that must fail at one pressure for it to be an edge; absent in what was frozen before: one. */
  edge_failures: z.number().int().min(1).max(4).optional(),
  /** ohm metre of copper at 20 °C that cables are reckoned with; absent in what was frozen before: annealed copper. */
  copper_ohm_m: z.number().min(1.6e-8).max(5e-8).optional(),
  /** By duty; absent in what was frozen before: then every valve had the same. */
  visits: visitRulesSchema.optional(),
  /** Absent in what was frozen before there were any. */
  instruments: instrumentRulesSchema.optional(),
  /**
   * Records of a family after which a hand sees the cautions and checks of a phase together; 0 where nobody may. Absent in
   * what was frozen before.
   */
  practised_after: z.number().int().min(0).max(100).optional(),
  /** Absent in what was frozen before there were any: the ordinary ones held then. */
  judgement: judgementRulesSchema.optional(),
  /** In which unit the figures of a family are shown; of one that is absent in the phone's. */
  units_by_family: z.record(z.string().max(40), z.enum(pressureUnits)).optional(),
  /** Over which gauges speak without a cable; absent where none do. */
  gauge_radio: radioServiceSchema.optional(),
});
export type HouseRules = z.infer<typeof houseRulesSchema>;

export const defaultHouseRules: HouseRules = {
  gauge_low_fraction: 0.25,
  gauge_high_fraction: 0.75,
  tur_wanted: 4,
  tur_least: 2,
  lockup_fraction: 0.1,
  lockup_least_pa: 50_000,
  lockup_gas: defaultGasLockup,
  no_flow_watch: defaultNoFlowWatch,
  edge_failures: 2,
  // The worst that a flexible conductor of any size may have by IEC 60228, class 5.
  copper_ohm_m: 2e-8,
  default_tolerance_fraction: 0.03,
  limit_over_target_fraction: 0.12,
  chance_past_limit: 0.005,
  chance_past_lane: 0.075,
  spring_rate_sd_fraction: 0.25,
  family_rate_sd_fraction: 0.5,
  sheet_rate_sd_fraction: 0.1,
  family_rate_pa_per_turn: 200_000,
  direction_trust: 0.98,
  bleed_cycles: 3,
  largest_turn: 3,
  settle_wait_s: 20,
  typed_apart_s: 8,
  no_flow_record_s: 60,
  compensator_over_load_pa: 15e5,
  main_relief_over_compensator_pa: 20e5,
  cross_port_over_least_pa: 15e5,
  cross_port_over_most_pa: 30e5,
  parked_low_pa: 8e5,
  overdemand_factor: 2,
  proving_cycles: 3,
  blowdown_most: 0.15,
  search_turn: 0.25,
  months_between_visits: 12,
  visits: defaultVisits,
  practised_after: 3,
  judgement: defaultJudgement,
  min_flow: [
    { size_dn: 40, flow_m3s: 0.3e-3 },
    { size_dn: 50, flow_m3s: 0.5e-3 },
    { size_dn: 65, flow_m3s: 0.9e-3 },
    { size_dn: 80, flow_m3s: 1.4e-3 },
    { size_dn: 100, flow_m3s: 2.2e-3 },
    { size_dn: 150, flow_m3s: 5e-3 },
    { size_dn: 200, flow_m3s: 9e-3 },
  ],
};

const { practised_after: _practised, ...beforePractised } = defaultHouseRules;
const { judgement: _judgement, ...beforeJudgement } = beforePractised;
const { visits: _visits, ...beforeVisits } = beforeJudgement;
const {
  no_flow_watch: _watch,
  edge_failures: _edges,
  copper_ohm_m: _copper,
  ...beforeWatch
} = beforeVisits;
const { lockup_gas: _gas, ...beforeGas } = beforeWatch;
/** What was ordinary in versions before: runs that were begun with it come in for as long as phones keep them. */
export const earlierHouseRules: readonly HouseRules[] = [
  beforePractised,
  beforeJudgement,
  beforeVisits,
  beforeWatch,
  { ...beforeGas, chance_past_limit: 0.01, overdemand_factor: 1.5 },
];

/** Months between visits by duty, and the grace; where nobody has said by duty, all have the same. */
export const visitRules = ({ visits, months_between_visits: all }: HouseRules): VisitRules =>
  visits ?? { ...defaultVisits, gas: all, fire: all, safety: all, process: all, comfort: all };

const ANNEALED_COPPER = 1.724e-8;
export const copperOf = ({ copper_ohm_m: copper }: HouseRules): number => copper ?? ANNEALED_COPPER;

/** Seconds that the spark is withheld: a share of the trial for ignition. */
export const lateSparkSeconds = (
  { trial_s: trial }: { readonly trial_s: number },
  rules: HouseRules,
): number => trial * instrumentRules(rules).late_spark_share;

export const instrumentRules = ({ instruments }: HouseRules): InstrumentRules =>
  instruments ?? defaultInstrumentRules;

const byBore = (size: number, row: HouseRules['min_flow'][number]): number =>
  row.flow_m3s * (size / row.size_dn) ** 2;

/**
 * Least flow at which a pilot-operated valve controls well enough to be set.
 *
 * @param size   nominal size, DN
 * @param table  rows rising in size; between rows, straight-line interpolation;
 *               beyond them, by the area of the bore
 * @returns m³/s
 */
export function minFlowFor(size: number, table: HouseRules['min_flow']): number {
  const rows = [...table].sort((a, b) => a.size_dn - b.size_dn);
  const above = rows.findIndex((row) => row.size_dn >= size);
  if (above === -1) return byBore(size, rows.at(-1)!);
  const high = rows[above]!;
  const low = rows[above - 1];
  if (!low) return byBore(size, high);
  const share = (size - low.size_dn) / (high.size_dn - low.size_dn);
  return low.flow_m3s + share * (high.flow_m3s - low.flow_m3s);
}
