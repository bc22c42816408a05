import { kPa, type AdjusterPlate, type Target, type TwinFault, type Valve } from '@holvek/core';
import { spring, type DemoValve } from './demo-valve';

const own = (from: number, to: number, rate: number): AdjusterPlate => ({
  springs: [spring('green', from, to, rate)],
  fitted_spring: 'green',
  clockwise: 'raises',
  travel_turns: Math.min(60, Math.ceil((1.5 * to) / rate)),
});
const target = (set: number, tolerance: number, limit: number, why: string): Target => ({
  set_point_pa: kPa(set),
  tolerance_pa: kPa(tolerance),
  limit_pa: kPa(limit),
  why,
});
const entry = (tag: string, name: string, place: string) => ({
  id: tag.toLowerCase(),
  tag,
  name,
  place,
});
const twin = (
  seed: number,
  found: number,
  faults: readonly TwinFault[] = [],
  others?: Record<string, number>,
) => ({
  seed,
  faults: [...faults],
  found_pa: kPa(found),
  ...(others
    ? {
        found_others: Object.fromEntries(
          Object.entries(others).map(([id, value]) => [id, kPa(value)]),
        ),
      }
    : {}),
});
const plain = { min_differential_pa: 0, accessories: [] as string[] };

const sustaining: Valve = {
  ...entry('SUS-03', 'Booster hall', 'Lower pump hall'),
  target: target(
    840,
    20,
    1300,
    'The booster cavitates below 650 kPa; the hall’s own guns need 780.',
  ),
  plate: {
    family: 'sustaining',
    size_dn: 100,
    ...plain,
    ...own(200, 1400, 180),
    inlet_rating_pa: kPa(1600),
    outlet_rating_pa: kPa(1600),
    pump_running_pa: kPa(950),
    cavitation_pa: kPa(650),
  },
  twin: twin(331, 815),
};

const combined: Valve = {
  ...entry('SUS-04', 'Traverse take-off', 'Traverse, chamber 1'),
  target: target(
    780,
    20,
    1300,
    'The main line must not fall below 740 kPa while the traverse draws.',
  ),
  other_targets: {
    reducing: target(500, 20, 680, 'Traverse hydrants need 460 kPa. 40 is lost in the pipe.'),
  },
  plate: {
    family: 'sustaining',
    size_dn: 80,
    ...plain,
    ...own(200, 1400, 180),
    others: { reducing: own(100, 700, 150) },
    inlet_rating_pa: kPa(1600),
    outlet_rating_pa: kPa(1000),
    pump_running_pa: kPa(920),
    cavitation_pa: kPa(600),
  },
  twin: twin(442, 760, [], { reducing: 540 }),
};

const surgeRelief: Valve = {
  ...entry('RV-11', 'Surge relief', 'Lower pump hall'),
  target: target(
    1180,
    30,
    1500,
    'Above the pump’s 950 in normal running, below the pipe’s 1600 with the valve wide open.',
  ),
  plate: {
    family: 'relief_pilot',
    size_dn: 80,
    ...plain,
    ...own(400, 1600, 220),
    inlet_rating_pa: kPa(1600),
    outlet_rating_pa: kPa(1600),
    working_pa: kPa(950),
  },
  twin: twin(111, 1340),
};

const blowerRelief: Valve = {
  ...entry('BSV-02', 'Blower relief', 'Aeration house'),
  target: target(
    26.5,
    1,
    29,
    'The blower’s plate says 32 kPa in standard air; up here that is about 28.',
  ),
  plate: {
    family: 'relief_spring',
    size_dn: 100,
    ...plain,
    inlet_rating_pa: kPa(60),
    outlet_rating_pa: kPa(60),
    springs: [
      spring('yellow', 5, 18, 2),
      spring('blue', 15, 38, 4),
      { ...spring('blue and yellow', 20, 56, 6), stacked_with: ['yellow'] },
    ],
    fitted_spring: 'yellow',
    clockwise: 'raises',
    travel_turns: 16,
    service: 'pressure',
    machine_max_pa: kPa(32),
    altitude_m: 1240,
    air_k: 278,
  },
  twin: twin(202, 12),
};

const vacuumRelief: Valve = {
  ...entry('VRV-01', 'Vacuum relief', 'Ice store, dewatering'),
  target: target(-24, 1, -29, 'The vacuum blower’s plate says 30 kPa below the air outside.'),
  plate: {
    family: 'relief_spring',
    size_dn: 80,
    ...plain,
    ...own(8, 35, 3),
    inlet_rating_pa: kPa(-50),
    outlet_rating_pa: kPa(-50),
    service: 'vacuum',
    machine_max_pa: kPa(-30),
    altitude_m: 0,
    air_k: 293.15,
  },
  twin: twin(101, -21),
};

const tensionUnit: Valve = {
  ...entry('HPU-01', 'Lift tension unit', 'Valley station'),
  target: target(
    23_000,
    300,
    26_000,
    '45 bar over the compensator: it never opens in normal work. The hose is rated 270 bar.',
  ),
  other_targets: {
    cross_a: target(
      21_000,
      300,
      26_000,
      '25 bar over what drives the motor, below the main relief.',
    ),
    cross_b: target(
      21_000,
      300,
      26_000,
      '25 bar over what drives the motor, below the main relief.',
    ),
    compensator: target(18_500, 300, 26_000, '15 bar over the heaviest load, measured at 170.'),
  },
  plate: {
    family: 'hydraulic',
    size_dn: 12,
    ...plain,
    ...own(500, 35_000, 6000),
    others: {
      cross_a: own(500, 30_000, 5000),
      cross_b: own(500, 30_000, 5000),
      compensator: own(2000, 28_000, 4000),
    },
    inlet_rating_pa: kPa(27_000),
    outlet_rating_pa: kPa(27_000),
    heaviest_load_pa: kPa(17_000),
    flow_m3s: 95e-3 / 60,
  },
  twin: twin(601, 25_200, [], { cross_a: 21_200, cross_b: 21_200, compensator: 19_700 }),
};

const gas = (tag: string, name: string, seed: number, found: number): Valve => ({
  ...entry(tag, name, 'Lodge, boiler room'),
  target: target(2.1, 0.1, 3.5, 'The burner’s plate asks for 21 mbar at its inlet.'),
  unit: 'mbar',
  plate: {
    family: 'gas',
    size_dn: 40,
    ...plain,
    ...own(1, 6, 0.8),
    inlet_rating_pa: kPa(400),
    outlet_rating_pa: kPa(10),
    loading: 'pilot',
  },
  twin: twin(seed, found),
});

const instrumentAir: Valve = {
  ...entry('SR-02', 'Instrument air', 'Compressor room'),
  target: target(
    400,
    12,
    520,
    'Positioners on the hydrants ask for 380 kPa at the end of the ring.',
  ),
  plate: {
    family: 'self_operated',
    size_dn: 25,
    ...plain,
    min_differential_pa: kPa(50),
    ...own(100, 700, 120),
    inlet_rating_pa: kPa(1600),
    outlet_rating_pa: kPa(1000),
    arrangement: {
      service: 'reducing',
      fluid: 'air',
      control_line: true,
      bypass: true,
      loading: 'spring',
      vent_piped: false,
    },
  },
  twin: twin(702, 385),
};

const backPressure: Valve = {
  ...entry('SR-04', 'Return line hold', 'Upper pump hall'),
  target: target(
    500,
    15,
    700,
    'The return line must stand above 480 kPa, or the filters draw air.',
  ),
  plate: {
    family: 'self_operated',
    size_dn: 50,
    ...plain,
    ...own(100, 900, 140),
    inlet_rating_pa: kPa(1600),
    outlet_rating_pa: kPa(1000),
    arrangement: {
      service: 'back_pressure',
      control_line: true,
      bypass: false,
      loading: 'bled_last',
      vent_piped: true,
    },
  },
  twin: twin(804, 470),
};

/** A valve of every other family, each with earlier winters. */
export const otherValves: readonly DemoValve[] = [
  {
    valve: sustaining,
    visits: [733, 367],
    wander: [kPa(-12), kPa(-20)],
    gauges: { inlet: 'G-04', outlet: 'G-12' },
  },
  { valve: combined, visits: [370], wander: [kPa(-15)], gauges: { inlet: 'G-04', outlet: 'G-12' } },
  {
    valve: surgeRelief,
    visits: [1095, 730, 364],
    wander: [kPa(45), kPa(52), kPa(60)],
    gauges: { inlet: 'G-24' },
    school: 'raise_line',
  },
  {
    valve: blowerRelief,
    visits: [],
    wander: [kPa(0)],
    gauges: { inlet: 'G-31' },
    asItCame: true,
  },
  { valve: vacuumRelief, visits: [369], wander: [kPa(2.5)], gauges: { inlet: 'G-32' } },
  {
    valve: tensionUnit,
    visits: [735, 371],
    wander: [kPa(900), kPa(2200)],
    gauges: { inlet: 'G-40' },
  },
  {
    valve: gas('GR-05', 'Boiler gas', 505, 2.3),
    visits: [362],
    wander: [kPa(0.2)],
    gauges: { outlet: 'G-50' },
  },
  {
    valve: gas('GR-06', 'Kitchen gas', 506, 2.6),
    visits: [20],
    wander: [kPa(0)],
    gauges: { outlet: 'G-50' },
    condemnedBy: 'seal',
  },
  {
    valve: instrumentAir,
    visits: [366],
    wander: [kPa(-14)],
    gauges: { inlet: 'G-04', outlet: 'G-12' },
  },
  {
    valve: backPressure,
    visits: [372],
    wander: [kPa(-22)],
    gauges: { inlet: 'G-12', outlet: 'G-15' },
  },
];
