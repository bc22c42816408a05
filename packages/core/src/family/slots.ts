import { gaugePa } from '../quantity';
import type { Gauge } from '../gauge';
import {
  adjusterPlate,
  chooseSpring,
  fittedSpring,
  instrumentRules,
  isInstrument,
  judgementOf,
  minFlowFor,
  type AnyPlate,
  type HouseRules,
  type Target,
} from '../valve';

export type SlotSource<P extends AnyPlate = AnyPlate> = {
  readonly plate: P;
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
/** What a text's `{slots}` are filled with, by their name. */
export type Slots<P extends AnyPlate = AnyPlate> = Readonly<
  Record<string, (source: SlotSource<P>, print: SlotPrinters) => string>
>;

const percent = (share: number): string => `${Number((share * 100).toPrecision(3))} %`;

const springWords = ({
  colour,
  stacked_with: stack = [],
}: {
  colour: string;
  stacked_with?: string[] | undefined;
}): string => (stack.length > 0 ? `${colour} with ${stack.join(' and ')}` : colour);

/** Slots that any family's texts may hold. */
export const sharedSlots: Slots = {
  target: ({ target }, { pressure }) => pressure(target.set_point_pa),
  why: ({ target }) => target.why,
  limit: ({ target }, { pressure }) => pressure(target.limit_pa),
  inlet_rating: ({ plate }, { pressure }) => pressure(plate.inlet_rating_pa),
  outlet_rating: ({ plate }, { pressure }) => pressure(plate.outlet_rating_pa),
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
    const choice = chooseSpring(plate.springs, gaugePa(Math.abs(target.set_point_pa)));
    return choice.ok
      ? springWords(choice.value[0]!.spring)
      : 'none in the chart: order the right one';
  },
  alignment: ({ rules }, { pressure }) =>
    `± ${pressure(instrumentRules(rules).alignment_tolerance_pa)}`,
  below_target: ({ target, rules }, { pressure }) =>
    pressure(target.set_point_pa - instrumentRules(rules).suction_margin_pa),
  action: ({ plate }) => (isInstrument(plate) ? plate.action : ''),
  tolerance_span: ({ plate }) =>
    isInstrument(plate) ? `${(plate.tolerance_span * 100).toFixed(1)} %` : '',
  signal_ends: ({ rules }) => percent(judgementOf(rules).signal_ends),
  first_band: ({ rules }) => percent(judgementOf(rules).first_band),
  first_reset: ({ rules }) => `${judgementOf(rules).first_reset_min} min a repeat`,
  parked_low: ({ rules }, { pressure }) => pressure(rules.parked_low_pa),
  overdemand: ({ rules }) => `${rules.overdemand_factor}`,
  proving_cycles: ({ rules }) => `${rules.proving_cycles}`,
};
