import {
  defaultHouseRules,
  defaultInstrumentRules,
  type GasLockupRules,
  type HouseRules,
  type InstrumentRules,
  type JudgementRules,
  type NoFlowWatchRules,
  judgementOf,
  visitRules,
  type VisitRules,
} from '@holvek/core';

type PlainRule = {
  [K in keyof HouseRules]-?: NonNullable<HouseRules[K]> extends number ? K : never;
}[keyof HouseRules];
export type RulePath =
  | PlainRule
  | `instruments.${keyof InstrumentRules}`
  | `lockup_gas.${keyof GasLockupRules}`
  | `no_flow_watch.${keyof NoFlowWatchRules}`
  | `visits.${keyof VisitRules}`
  | `judgement.${keyof JudgementRules}`
  | `min_flow.${number}.flow_m3s`;

/** How a figure is written: shown value = stored value × scale, or a pressure in the unit of this phone. */
type Written = { readonly unit: string; readonly scale: number } | { readonly unit: 'pressure' };
export type RuleRow = { readonly path: RulePath; readonly label: string } & Written;
export type RuleGroup = { readonly title: string; readonly rows: readonly RuleRow[] };

const percent = { unit: '%', scale: 100 } as const;
const seconds = { unit: 's', scale: 1 } as const;
const count = { unit: '', scale: 1 } as const;
const pressure = { unit: 'pressure' } as const;

const row = (path: RulePath, label: string, written: Written): RuleRow => ({
  path,
  label,
  ...written,
});

/** Every figure of the house, by what it is about. */
export const ruleGroups: readonly RuleGroup[] = [
  {
    title: 'Every valve',
    rows: [
      row('default_tolerance_fraction', 'Tolerance when none is given', percent),
      row('limit_over_target_fraction', 'Limit over the target when none is given', percent),
      row('settle_wait_s', 'Wait after a turn', seconds),
      row('typed_apart_s', 'Two typed readings that agree lie apart', seconds),
    ],
  },
  {
    title: 'Practised hands',
    rows: [
      row(
        'practised_after',
        'See the checks of a phase together after so many records; 0: nobody',
        count,
      ),
    ],
  },
  {
    title: 'How often each is looked at',
    rows: [
      row('visits.gas', 'Gas, months', count),
      row('visits.fire', 'Fire protection, months', count),
      row('visits.safety', 'Safety and relief, months', count),
      row('visits.process', 'Process, months', count),
      row('visits.comfort', 'Comfort, months', count),
      row('visits.grace_days', 'Late after, days; none where people are protected', count),
    ],
  },
  {
    title: 'Gauges',
    rows: [
      row('gauge_low_fraction', 'Target lies above this share of the gauge', percent),
      row('gauge_high_fraction', 'and below this share', percent),
      row('tur_wanted', 'Tolerance to gauge error, wanted', { unit: 'to 1', scale: 1 }),
      row('tur_least', 'Tolerance to gauge error, least', { unit: 'to 1', scale: 1 }),
      row('judgement.height_known_m', 'Height of a gauge is known within', { unit: 'm', scale: 1 }),
      row('judgement.eye_divisions', 'An eye catches a first dribble within', {
        unit: 'divisions',
        scale: 1,
      }),
    ],
  },
  {
    title: 'The coach',
    rows: [
      row('chance_past_limit', 'Chance of passing a limit that a move may carry', percent),
      row('chance_past_lane', 'Chance of passing the lane that a move may carry', percent),
      row('judgement.done_sure', 'Sure that it stands in its lane before it is done', percent),
      row('largest_turn', 'Largest single move', { unit: 'turns', scale: 1 }),
      row('direction_trust', 'Trust in the direction on a plate', percent),
      row('spring_rate_sd_fraction', 'Spread of a spring chart’s rate', percent),
      row('family_rate_sd_fraction', 'Spread of a family’s rate', percent),
      row('sheet_rate_sd_fraction', 'Spread of a rate from earlier sheets', percent),
      row('family_rate_pa_per_turn', 'A turn gives, when nothing else is known', pressure),
    ],
  },
  {
    title: 'Reducing valves and regulators',
    rows: [
      row('lockup_fraction', 'Lockup allowed on water, of the set point', percent),
      row('lockup_least_pa', 'Lockup allowed on water, at least', pressure),
      row('no_flow_record_s', 'Least watch with nothing flowing', seconds),
      row('no_flow_watch.longest_s', 'Longest watch with nothing flowing', seconds),
      row('no_flow_watch.creep_divisions_per_min', 'A rise that goes on is creep from', {
        unit: 'divisions/min',
        scale: 1,
      }),
      row('judgement.no_flow_sure', 'Sure of a rise’s shape before it is believed', percent),
      row('bleed_cycles', 'Bleeding cycles', count),
    ],
  },
  {
    title: 'Gas regulators',
    rows: [
      row('lockup_gas.low_below_pa', 'Low-pressure gas is below', pressure),
      row(
        'lockup_gas.low_fraction',
        'Lockup allowed on low-pressure gas, of the set point',
        percent,
      ),
      row('lockup_gas.low_least_pa', 'Lockup allowed on low-pressure gas, at least', pressure),
      row('lockup_gas.fraction', 'Lockup allowed on gas above that, of the set point', percent),
      row('lockup_gas.least_pa', 'Lockup allowed on gas above that, at least', pressure),
    ],
  },
  {
    title: 'Sustaining valves',
    rows: [row('overdemand_factor', 'Overdemand, times the outlets of normal work', count)],
  },
  {
    title: 'Relief valves',
    rows: [
      row('proving_cycles', 'Proving cycles of a relief', count),
      row('blowdown_most', 'Largest blowdown', percent),
      row('search_turn', 'Smallest move when looking for the first dribble', {
        unit: 'turns',
        scale: 1,
      }),
    ],
  },
  {
    title: 'Hydraulics',
    rows: [
      row('compensator_over_load_pa', 'Compensator over the heaviest load', pressure),
      row('main_relief_over_compensator_pa', 'Main relief over the compensator', pressure),
      row('cross_port_over_least_pa', 'Cross-ports over what drives the motor, least', pressure),
      row('cross_port_over_most_pa', 'Cross-ports over what drives the motor, most', pressure),
      row('parked_low_pa', 'A pump is heard dumping at', pressure),
    ],
  },
  {
    title: 'Suction control and switches',
    rows: [
      row('instruments.suction_margin_pa', 'Suction below the set point for the test', pressure),
      row('instruments.switch_differential_least_pa', 'Least differential of a switch', pressure),
    ],
  },
  {
    title: 'Burner pilots',
    rows: [
      row('instruments.purge_s', 'Purge after a failed light', seconds),
      row('instruments.lights_most', 'Lights in one search, at the most', count),
      row('edge_failures', 'Lights that fail at one pressure make it an edge', count),
      row('instruments.light_fail_cost', 'A failed light counts as so many lights', count),
      row('instruments.late_spark_share', 'Late spark, share of the trial', percent),
      row('judgement.flame_lit', 'Flame signal from which it is lit, of full', percent),
      row('judgement.flame_good', 'Flame signal from which it is good, of full', percent),
    ],
  },
  {
    title: 'Pointers, positioners and controllers',
    rows: [
      row('instruments.span_factor', 'Pointer: span is moved by the error times', count),
      row(
        'instruments.positioner_span_factor',
        'Positioner: span is moved by the error times',
        count,
      ),
      row('instruments.angularity_factor', 'Link length is moved by the error times', count),
      row('instruments.scale_reading', 'Finest step read of a travel scale', {
        unit: '% of span',
        scale: 100,
      }),
      row('judgement.signal_ends', 'Output begins and ends within, of the signal', percent),
      row('judgement.first_band', 'First band of a controller', percent),
      row('judgement.first_reset_min', 'First reset of a controller', {
        unit: 'min a repeat',
        scale: 1,
      }),
      row('instruments.alignment_tolerance_pa', 'Output may move in an alignment sweep', pressure),
    ],
  },
  {
    title: 'Electronic pilots',
    rows: [
      row('months_between_visits', 'Months that the log on its card must reach', count),
      row('judgement.stroke_slack', 'Stroke may be short or long by', percent),
      row('judgement.clock_slack_min', 'Its clock may be off by', { unit: 'min', scale: 1 }),
      row('copper_ohm_m', 'Copper that cables are reckoned with', { unit: 'Ω mm²/m', scale: 1e6 }),
      row('instruments.loop_headroom_v', 'Kept in hand of a loop’s supply', {
        unit: 'V',
        scale: 1,
      }),
    ],
  },
];

/** Least flow, a row for each size in the house's own table. */
export const flowRows = ({ min_flow: table }: HouseRules): RuleGroup => ({
  title: 'Least flow by size',
  rows: table.map(({ size_dn: size }, i) =>
    row(`min_flow.${i}.flow_m3s`, `DN ${size}`, { unit: 'L/s', scale: 1000 }),
  ),
});

/** Rules of before have none of the later groups: the ordinary figures stand there. */
export const completeRules = (rules: HouseRules) => ({
  ...defaultHouseRules,
  instruments: defaultInstrumentRules,
  ...rules,
  visits: visitRules(rules),
  judgement: judgementOf(rules),
});

/** The figure at a path; undefined where there is none. */
export function figureAt(rules: HouseRules, path: RulePath): number | undefined {
  const at = path
    .split('.')
    .reduce<unknown>((value, key) => (value as Record<string, unknown> | undefined)?.[key], rules);
  return typeof at === 'number' ? at : undefined;
}

/** The ordinary figure of a row; a size that only the house has, has none. */
export function ordinaryOf(rules: HouseRules, { path }: RuleRow): number | undefined {
  const [table, index] = path.split('.');
  if (table !== 'min_flow') return figureAt(completeRules(defaultHouseRules), path);
  const size = rules.min_flow[Number(index)]?.size_dn;
  return defaultHouseRules.min_flow.find((each) => each.size_dn === size)?.flow_m3s;
}
