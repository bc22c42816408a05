import { kPa, partOf, standardSignals, type SignalRange, type Target, type Valve } from '@holvek/core';
import type { DemoValve } from './demo-valve';

const bare = (travel_turns = 20, clockwise: 'raises' | 'lowers' = 'raises') => ({ springs: [], fitted_spring: '', clockwise, travel_turns }); // prettier-ignore
const signal = (id: string): SignalRange => {
  const { kind, low, high } = standardSignals.find((each) => each.id === id)!;
  return { kind, low, high };
};
const travel: SignalRange = { kind: 'fraction', low: 0, high: 1 };
const entry = (tag: string, name: string, place: string) => ({ id: tag.toLowerCase(), tag, name, place });
const target = (set: number, tolerance: number, limit: number, why: string): Target => ({
  set_point_pa: kPa(set), tolerance_pa: kPa(tolerance), limit_pa: kPa(limit), why,
}); // prettier-ignore
const common = { size_dn: 80, min_differential_pa: 0, accessories: [] };
const supplied = { inlet_rating_pa: kPa(250), outlet_rating_pa: kPa(250) };

const hydrantPositioner: Valve = {
  ...entry('POS-21', 'Hydrant valve', 'Middle slope, hut 4'),
  target: target(140, 10, 200, 'The snow controller asks for 0 to 100 % by 4 to 20 mA; without air the hydrant must shut.'),
  plate: { family: 'positioner', ...common, ...supplied, ...bare(), others: { span: bare() }, input: signal('4-20mA'), output: travel, action: 'direct', tolerance_span: 0.01, air_to: 'open' },
  twin: { seed: 2101, faults: [], found_pa: 22, found_others: { span: 34 } },
}; // prettier-ignore

const whole = signal('20-100kPa');
const bypassPositioner: Valve = {
  ...entry('POS-22', 'By-pass valve', 'Lower pump hall'),
  target: target(140, 10, 200, 'Works on the upper half of the signal; the lower half belongs to the pump’s throttle.'),
  plate: { family: 'positioner', ...common, ...supplied, ...bare(), others: { span: bare(20, 'lowers') }, input: partOf(whole, 0.5, 1), output: travel, action: 'reverse', tolerance_span: 0.015, air_to: 'close', split_with: partOf(whole, 0, 0.5) },
  twin: { seed: 2202, faults: [], found_pa: -28, found_others: { span: 40 } },
}; // prettier-ignore

const linePointer: Valve = {
  ...entry('PI-31', 'Main line pointer', 'Lower pump hall'),
  target: target(800, 16, 1600, 'The operator steers the pumps by it: half scale is 800 kPa.'),
  plate: { family: 'indicator', ...common, size_dn: 15, ...bare(), others: { span: bare(), angularity: bare() }, inlet_rating_pa: kPa(1600), outlet_rating_pa: kPa(1600), input: { kind: 'pressure', low: 0, high: kPa(1600) }, output: { kind: 'pressure', low: 0, high: kPa(1600) }, action: 'direct', tolerance_span: 0.01 },
  twin: { seed: 3104, faults: [], found_pa: 14, found_others: { span: 22, angularity: -95 } },
}; // prettier-ignore

/** What is set by comparing a signal with a movement, each with earlier winters. */
export const instruments: readonly DemoValve[] = [
  { valve: hydrantPositioner, visits: [742, 371], wander: [22, 30], gauges: { inlet: 'G-70', outlet: 'G-18' } },
  { valve: bypassPositioner, visits: [415], wander: [18], gauges: { inlet: 'G-70', outlet: 'G-18' }, school: 'end_points' },
  { valve: linePointer, visits: [368], wander: [16], gauges: { inlet: 'G-71' } },
]; // prettier-ignore
