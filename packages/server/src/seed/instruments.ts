import {
  kPa,
  partOf,
  standardSignals,
  type SignalRange,
  type Target,
  type Valve,
} from '@holvek/core';
import { spring, type DemoValve } from './demo-valve';

const bare = (travel_turns = 20, clockwise: 'raises' | 'lowers' = 'raises') => ({
  springs: [],
  fitted_spring: '',
  clockwise,
  travel_turns,
});
const own = (
  from: number,
  to: number,
  rate: number,
  clockwise: 'raises' | 'lowers' = 'raises',
) => ({
  springs: [spring('plain', from, to, rate)],
  fitted_spring: 'plain',
  clockwise,
  travel_turns: Math.ceil((1.5 * to) / rate),
});
const signal = (id: string): SignalRange => {
  const { kind, low, high } = standardSignals.find((each) => each.id === id)!;
  return { kind, low, high };
};
const travel: SignalRange = { kind: 'fraction', low: 0, high: 1 };
const entry = (tag: string, name: string, place: string) => ({
  id: tag.toLowerCase(),
  tag,
  name,
  place,
});
const target = (set: number, tolerance: number, limit: number, why: string): Target => ({
  set_point_pa: kPa(set),
  tolerance_pa: kPa(tolerance),
  limit_pa: kPa(limit),
  why,
});
const common = { size_dn: 80, min_differential_pa: 0, accessories: [] };
const supplied = { inlet_rating_pa: kPa(250), outlet_rating_pa: kPa(250) };

const hydrantPositioner: Valve = {
  ...entry('POS-21', 'Hydrant valve', 'Middle slope, hut 4'),
  target: target(
    140,
    10,
    200,
    'The snow controller asks for 0 to 100 % by 4 to 20 mA; without air the hydrant must shut.',
  ),
  plate: {
    family: 'positioner',
    ...common,
    ...supplied,
    ...bare(),
    others: { span: bare() },
    input: signal('4-20mA'),
    output: travel,
    action: 'direct',
    tolerance_span: 0.01,
    air_to: 'open',
  },
  twin: { seed: 2101, faults: [], found_pa: 22, found_others: { span: 34 } },
};

const whole = signal('20-100kPa');
const bypassPositioner: Valve = {
  ...entry('POS-22', 'By-pass valve', 'Lower pump hall'),
  target: target(
    140,
    10,
    200,
    'Works on the upper half of the signal; the lower half belongs to the pump’s throttle.',
  ),
  plate: {
    family: 'positioner',
    ...common,
    ...supplied,
    ...bare(),
    others: { span: bare(20, 'lowers') },
    input: partOf(whole, 0.5, 1),
    output: travel,
    action: 'reverse',
    tolerance_span: 0.04,
    air_to: 'close',
    split_with: partOf(whole, 0, 0.5),
    arm_least: 1,
    arm_most: 6,
    arm_division: 0.1,
  },
  twin: { seed: 2202, faults: [], found_pa: -28, found_others: { span: 40 } },
};

const linePointer: Valve = {
  ...entry('PI-31', 'Main line pointer', 'Lower pump hall'),
  target: target(800, 16, 1600, 'The operator steers the pumps by it: half scale is 800 kPa.'),
  plate: {
    family: 'indicator',
    ...common,
    size_dn: 15,
    ...bare(),
    others: { span: bare(), angularity: bare() },
    inlet_rating_pa: kPa(1600),
    outlet_rating_pa: kPa(1600),
    input: { kind: 'pressure', low: 0, high: kPa(1600) },
    output: { kind: 'pressure', low: 0, high: kPa(1600) },
    action: 'direct',
    tolerance_span: 0.01,
  },
  twin: { seed: 3104, faults: [], found_pa: 14, found_others: { span: 22, angularity: -95 } },
};

const iceStore: Valve = {
  ...entry('SC-03', 'Ice store suction', 'Ice store, compressor room'),
  target: target(
    400,
    12,
    700,
    'The store’s air must dry: suction is held up, so the compressor runs longer.',
  ),
  plate: {
    family: 'suction',
    ...common,
    size_dn: 20,
    ...own(100, 700, 60),
    inlet_rating_pa: kPa(1500),
    outlet_rating_pa: kPa(1500),
    refrigerant: 'as on its plate',
  },
  twin: { seed: 303, faults: ['reversed_screw'], found_pa: kPa(352) },
};

const airSwitch: Valve = {
  ...entry('PS-14', 'Compressor switch', 'Compressor room'),
  target: target(
    550,
    10,
    900,
    'Positioners at the end of the ring ask for 500 kPa. 50 is lost in the pipe.',
  ),
  other_targets: { differential: target(150, 12, 350, 'Eight starts an hour at the usual draw.') },
  plate: {
    family: 'pressure_switch',
    ...common,
    size_dn: 8,
    ...own(100, 900, 90),
    others: { differential: own(20, 300, 40) },
    inlet_rating_pa: kPa(1000),
    outlet_rating_pa: kPa(1000),
    scale: 'additive',
    printed: 'CUT-IN',
    serves_as: 'operating',
    manual_reset: false,
  },
  twin: { seed: 1402, faults: [], found_pa: kPa(596), found_others: { differential: kPa(104) } },
};

const boilerPilot: Valve = {
  ...entry('BP-15', 'Boiler pilot', 'Lodge, boiler room'),
  target: target(1.3, 0.3, 3, 'The burner’s plate allows 1.0 to 1.6 kPa at the pilot.'),
  plate: {
    family: 'burner_pilot',
    ...common,
    size_dn: 8,
    ...own(0.3, 3.5, 0.5),
    inlet_rating_pa: kPa(50),
    outlet_rating_pa: kPa(5),
    maker_low_pa: kPa(1),
    maker_high_pa: kPa(1.6),
    trial_s: 10,
  },
  twin: { seed: 1505, faults: [], found_pa: kPa(1.9) },
};

const levelController: Valve = {
  ...entry('PC-08', 'Header pressure', 'Upper pump hall'),
  target: target(500, 10, 1000, 'The header is held at 500 kPa while the guns come and go.'),
  plate: {
    family: 'controller',
    ...common,
    size_dn: 15,
    ...bare(),
    others: { span: bare(), angularity: bare(), alignment: bare() },
    inlet_rating_pa: kPa(1000),
    outlet_rating_pa: kPa(250),
    input: { kind: 'pressure', low: 0, high: kPa(1000) },
    output: { kind: 'pressure', low: 0, high: kPa(1000) },
    action: 'direct',
    tolerance_span: 0.01,
    out: signal('20-100kPa'),
    band_percent: 25,
    reset_minutes: 0.08,
  },
  twin: {
    seed: 805,
    faults: [],
    found_pa: 12,
    found_others: { span: 20, angularity: -90, alignment: 26 },
  },
};

const summitPilot: Valve = {
  ...entry('EP-04', 'Summit feed', 'Upper pump hall'),
  target: target(
    640,
    12,
    800,
    'The summit guns need 600 kPa. 40 is lost in the riser at full draw.',
  ),
  plate: {
    family: 'electronic_pilot',
    ...common,
    size_dn: 100,
    ...bare(),
    inlet_rating_pa: kPa(1600),
    outlet_rating_pa: kPa(1000),
    input: { kind: 'pressure', low: 0, high: kPa(1000) },
    output: signal('4-20mA'),
    action: 'direct',
    tolerance_span: 0.01,
    application: 'reducing',
    stroke_s: 20,
    stroke_counts: 3200,
    trim: 'Ported plug, DN 100',
    log_interval_s: 10,
    card_bytes: 64e6,
    loop: {
      supply_v: 24,
      needs_v: 11,
      load_ohm: 250,
      current_a: 0.02,
      length_m: 180,
      area_m2: 0.75e-6,
      at_k: 303.15,
    },
    power: {
      supply_v: 24,
      needs_v: 20,
      load_ohm: 0,
      current_a: 1.8,
      length_m: 60,
      area_m2: 1.5e-6,
      at_k: 303.15,
    },
  },
  twin: { seed: 404, faults: [], found_pa: 18, found_others: { set_value: kPa(680) } },
};

/** What is set by a signal, by a band or by a flame, each with earlier winters. */
export const instruments: readonly DemoValve[] = [
  { valve: iceStore, visits: [369], wander: [kPa(-48)], gauges: { inlet: 'G-12' } },
  { valve: airSwitch, visits: [735, 370], wander: [kPa(22), kPa(46)], gauges: { inlet: 'G-12' } },
  { valve: boilerPilot, visits: [366], wander: [kPa(0.5)], gauges: { outlet: 'G-50' } },
  {
    valve: hydrantPositioner,
    visits: [742, 371],
    wander: [22, 30],
    gauges: { inlet: 'G-70', outlet: 'G-18' },
  },
  {
    valve: bypassPositioner,
    visits: [415],
    wander: [18],
    gauges: { inlet: 'G-70', outlet: 'G-18' },
    school: 'end_points',
  },
  {
    valve: levelController,
    visits: [372],
    wander: [14],
    gauges: { inlet: 'G-70', outlet: 'G-18' },
  },
  { valve: summitPilot, visits: [374], wander: [4], gauges: { inlet: 'G-70', outlet: 'G-12' } },
  { valve: linePointer, visits: [368], wander: [16], gauges: { inlet: 'G-71' } },
];
