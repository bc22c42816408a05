import type { Gauge } from '../gauge';
import {
  adjusterPlate, chooseSpring, instrumentRules, isInstrument, lateSparkSeconds, fittedSpring, minFlowFor, standardAirPressure, type HouseRules, type Plate, type Target,
} from '../valve'; // prettier-ignore

export type SlotSource = {
  readonly plate: Plate;
  /** Of the step's adjuster, else of the leading one. */
  readonly target: Target;
  readonly adjuster?: string;
  readonly rules: HouseRules;
  readonly gauges: Readonly<Record<string, Pick<Gauge, 'tag'> | undefined>>;
};
/** How quantities are printed where the text is shown. */
export type SlotPrinters = {
  readonly pressure: (pa: number) => string;
  readonly flow: (m3s: number) => string;
};

const slots: Readonly<Record<string, (source: SlotSource, print: SlotPrinters) => string>> = {
  target: ({ target }, { pressure }) => pressure(target.set_point_pa),
  why: ({ target }) => target.why,
  inlet_rating: ({ plate }, { pressure }) => pressure(plate.inlet_rating_pa),
  min_differential: ({ plate }, { pressure }) => pressure(plate.min_differential_pa),
  min_flow: ({ plate, rules }, { flow }) => flow(minFlowFor(plate.size_dn, rules.min_flow)),
  accessories: ({ plate }) => plate.accessories.join(', ') || 'none',
  inlet_gauge: ({ gauges }) => gauges['inlet']?.tag ?? 'a gauge',
  outlet_gauge: ({ gauges }) => gauges['outlet']?.tag ?? 'a gauge',
  factory_tag: ({ plate }, { pressure }) =>
    plate.factory_set_point_pa === undefined ? 'setting' : pressure(plate.factory_set_point_pa),
  spring_rate: ({ plate, adjuster = 'main' }, { pressure }) =>
    `${pressure(fittedSpring(adjusterPlate(plate, adjuster))?.rate_pa_per_turn ?? 0)} a turn`,
  fitted_spring: ({ plate }) => plate.fitted_spring,
  right_spring: ({ plate, target }) => {
    const choice = chooseSpring(plate.springs, Math.abs(target.set_point_pa));
    return choice.ok ? springWords(choice.value[0]!.spring) : 'none in the chart: order the right one';
  },
  outlet_rating: ({ plate }, { pressure }) => pressure(plate.outlet_rating_pa),
  limit: ({ target }, { pressure }) => pressure(target.limit_pa),
  pump_running: ({ plate }, { pressure }) =>
    plate.family === 'sustaining' ? pressure(plate.pump_running_pa) : '',
  cavitation: ({ plate }, { pressure }) =>
    plate.family === 'sustaining' ? pressure(plate.cavitation_pa) : '',
  working: ({ plate }, { pressure }) => (plate.family === 'relief_pilot' ? pressure(plate.working_pa) : ''),
  machine_max: ({ plate }, { pressure }) =>
    plate.family === 'relief_spring' ? pressure(plate.machine_max_pa) : '',
  corrected_max: ({ plate }, { pressure }) => {
    if (plate.family !== 'relief_spring') return '';
    const estimate = standardAirPressure(plate.machine_max_pa, plate.altitude_m, plate.air_k);
    return pressure(plate.maker_max_pa ?? (estimate.ok ? estimate.value : plate.machine_max_pa));
  },
  flow_arrow: ({ plate }) =>
    plate.family === 'relief_spring' && plate.service === 'vacuum'
      ? 'towards the machine'
      : 'away from the machine',
  heaviest_load: ({ plate }, { pressure }) =>
    plate.family === 'hydraulic' ? pressure(plate.heaviest_load_pa) : '',
  refrigerant: ({ plate }) => (plate.family === 'suction' ? plate.refrigerant : ''),
  alignment: ({ rules }, { pressure }) => `± ${pressure(instrumentRules(rules).alignment_tolerance_pa)}`,
  below_target: ({ target, rules }, { pressure }) =>
    pressure(target.set_point_pa - instrumentRules(rules).suction_margin_pa),
  maker_range: ({ plate }, { pressure }) =>
    plate.family === 'burner_pilot'
      ? `${pressure(plate.maker_low_pa)} to ${pressure(plate.maker_high_pa)}`
      : '',
  late_spark: ({ plate, rules }) =>
    plate.family === 'burner_pilot' ? `${lateSparkSeconds(plate, rules).toFixed(1)} s` : '',
  no_air: ({ plate }) => (plate.family === 'positioner' ? (plate.air_to === 'open' ? 'shut' : 'open') : ''),
  trim: ({ plate }) => (plate.family === 'electronic_pilot' ? plate.trim : ''),
  action: ({ plate }) => (isInstrument(plate) ? plate.action : ''),
  tolerance_span: ({ plate }) => (isInstrument(plate) ? `${(plate.tolerance_span * 100).toFixed(1)} %` : ''),
  parked_low: ({ rules }, { pressure }) => pressure(rules.parked_low_pa),
  overdemand: ({ rules }) => `${rules.overdemand_factor}`,
  proving_cycles: ({ rules }) => `${rules.proving_cycles}`,
  lockup_allowed: ({ target, rules }, { pressure }) =>
    pressure(Math.max(rules.lockup_fraction * target.set_point_pa, rules.lockup_least_pa)),
};

const springWords = ({
  colour,
  stacked_with: stack = [],
}: {
  colour: string;
  stacked_with?: string[] | undefined;
}) => (stack.length > 0 ? `${colour} with ${stack.join(' and ')}` : colour);

export const slotNames: ReadonlySet<string> = new Set(Object.keys(slots));

/** A step's text with its slots filled; an unknown slot stays visible as it was written. */
export const fillSlots = (text: string, source: SlotSource, print: SlotPrinters): string =>
  text.replace(/\{(\w+)\}/gu, (whole, name: string) => slots[name]?.(source, print) ?? whole);
