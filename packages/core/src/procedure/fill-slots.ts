import type { Gauge } from '../gauge';
import { fittedSpring, minFlowFor, type HouseRules, type Plate, type Target } from '../valve';

export type SlotSource = {
  readonly plate: Plate;
  readonly target: Target;
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
  spring_rate: ({ plate }, { pressure }) => `${pressure(fittedSpring(plate)?.rate_pa_per_turn ?? 0)} a turn`,
  lockup_allowed: ({ target, rules }, { pressure }) =>
    pressure(Math.max(rules.lockup_fraction * target.set_point_pa, rules.lockup_least_pa)),
};

export const slotNames: ReadonlySet<string> = new Set(Object.keys(slots));

/** A step's text with its slots filled; an unknown slot stays visible as it was written. */
export const fillSlots = (text: string, source: SlotSource, print: SlotPrinters): string =>
  text.replace(/\{(\w+)\}/gu, (whole, name: string) => slots[name]?.(source, print) ?? whole);
