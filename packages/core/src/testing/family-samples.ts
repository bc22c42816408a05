import type { StartedDraft } from '../exchange';
import { procedureOf, ratePriors, type Plate } from '../family';
import type { Gauge } from '../gauge';
import { kPa } from '../quantity';
import type { Rehearsal, RehearsalOptions } from '../twin';
import { defaultHouseRules, type Target, type Targets, type TwinSketch } from '../valve';
import { gauge, rehearsedDraft } from './samples';

const spring = (from: number, to: number, rate: number, colour = 'green') => ({
  colour,
  from_pa: kPa(from),
  to_pa: kPa(to),
  rate_pa_per_turn: kPa(rate),
});
const own = (from: number, to: number, rate: number) => ({
  springs: [spring(from, to, rate)],
  fitted_spring: 'green',
  clockwise: 'raises' as const,
  travel_turns: Math.ceil((1.5 * to) / rate),
});
/** A screw without a spring. */
const bare = (travel_turns: number) => ({
  springs: [],
  fitted_spring: '',
  clockwise: 'raises' as const,
  travel_turns,
});
const calibrator = gauge('G-70', 1000, {
  accuracy_fraction: 0.0005,
  sources: [{ kind: 'current', low: 0, high: 0.024, error: 5e-6 }],
});
/** Of a face in degrees: every figure counts from melting ice. */
const degreeSpring = { colour: 'green', from_pa: 20, to_pa: 75, rate_pa_per_turn: 4.5 };
const thermometer = gauge('T-02', 1000, {
  unit: '°C',
  range_low_pa: 0,
  range_high_pa: 120,
  resolution_pa: 0.1,
  accuracy_fraction: 0.0025,
});
const common = { size_dn: 80, min_differential_pa: 0, accessories: [] };
const target = (set: number, tolerance: number, limit: number): Target => ({
  set_point_pa: kPa(set),
  tolerance_pa: kPa(tolerance),
  limit_pa: kPa(limit),
  why: 'The test needs it.',
});

export type FamilySample = Targets & {
  readonly plate: Plate;
  readonly gauges: Partial<Record<'inlet' | 'outlet', Gauge>>;
  readonly found: Pick<TwinSketch, 'found_pa' | 'found_others'>;
};

/** One sound valve of every family but the reducing one, which `samples.ts` has. */
export const familySamples = {
  sustaining: {
    plate: {
      family: 'sustaining',
      ...common,
      ...own(200, 1400, 180),
      inlet_rating_pa: kPa(1600),
      outlet_rating_pa: kPa(1600),
      pump_running_pa: kPa(950),
      cavitation_pa: kPa(650),
    },
    target: target(840, 25, 1300),
    gauges: { inlet: gauge('G-04', 1600), outlet: gauge('G-12', 1000) },
    found: { found_pa: kPa(800) },
  },
  combined: {
    plate: {
      family: 'sustaining',
      ...common,
      ...own(200, 1400, 180),
      others: { reducing: own(100, 700, 150) },
      inlet_rating_pa: kPa(1600),
      outlet_rating_pa: kPa(1000),
      pump_running_pa: kPa(950),
      cavitation_pa: kPa(650),
    },
    target: target(840, 25, 1300),
    other_targets: { reducing: target(520, 20, 700) },
    gauges: { inlet: gauge('G-04', 1600), outlet: gauge('G-12', 1000) },
    found: { found_pa: kPa(800), found_others: { reducing: kPa(560) } },
  },
  relief_pilot: {
    plate: {
      family: 'relief_pilot',
      ...common,
      ...own(400, 1600, 220),
      inlet_rating_pa: kPa(1600),
      outlet_rating_pa: kPa(1600),
      working_pa: kPa(950),
    },
    target: target(1180, 30, 1500),
    gauges: { inlet: gauge('G-04', 1600) },
    found: { found_pa: kPa(1340) },
  },
  relief_spring: {
    plate: {
      family: 'relief_spring',
      ...common,
      ...own(10, 40, 4),
      inlet_rating_pa: kPa(60),
      outlet_rating_pa: kPa(60),
      service: 'pressure',
      machine_max_pa: kPa(32),
      altitude_m: 1240,
      air_k: 278,
    },
    target: target(26, 1, 28),
    gauges: { inlet: gauge('G-31', 60, { resolution_pa: 100 }) },
    found: { found_pa: kPa(22) },
  },
  vacuum: {
    plate: {
      family: 'relief_spring',
      ...common,
      ...own(8, 35, 3),
      inlet_rating_pa: kPa(-50),
      outlet_rating_pa: kPa(-50),
      service: 'vacuum',
      machine_max_pa: kPa(-30),
      altitude_m: 0,
      air_k: 293.15,
    },
    target: target(-24, 1, -29),
    gauges: { inlet: gauge('G-32', 0, { range_low_pa: kPa(-60), resolution_pa: 100 }) },
    found: { found_pa: kPa(-20) },
  },
  hydraulic: {
    plate: {
      family: 'hydraulic',
      ...common,
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
    target: target(23_000, 300, 26_000),
    other_targets: {
      cross_a: target(21_000, 300, 26_000),
      cross_b: target(21_000, 300, 26_000),
      compensator: target(18_500, 300, 26_000),
    },
    gauges: { inlet: gauge('G-40', 40_000, { resolution_pa: kPa(50), accuracy_fraction: 0.002 }) },
    found: {
      found_pa: kPa(25_200),
      found_others: { cross_a: kPa(21_200), cross_b: kPa(20_500), compensator: kPa(19_700) },
    },
  },
  gas: {
    plate: {
      family: 'gas',
      ...common,
      ...own(1, 6, 0.8),
      size_dn: 40,
      inlet_rating_pa: kPa(400),
      outlet_rating_pa: kPa(10),
      loading: 'pilot',
    },
    target: target(2.1, 0.1, 3.5),
    gauges: { outlet: gauge('G-50', 5, { resolution_pa: 10, accuracy_fraction: 0.005 }) },
    found: { found_pa: kPa(2.5) },
  },
  gas_by_spring: {
    plate: {
      family: 'gas',
      ...common,
      ...own(1, 6, 0.8),
      size_dn: 25,
      inlet_rating_pa: kPa(400),
      outlet_rating_pa: kPa(10),
      loading: 'spring',
      slam_shut: true,
      relief_after: true,
    },
    target: target(2.1, 0.1, 3.5),
    gauges: { outlet: gauge('G-50', 5, { resolution_pa: 10, accuracy_fraction: 0.005 }) },
    found: { found_pa: kPa(2.5) },
  },
  self_operated: {
    plate: {
      family: 'self_operated',
      ...common,
      ...own(100, 700, 120),
      size_dn: 50,
      min_differential_pa: kPa(50),
      inlet_rating_pa: kPa(1600),
      outlet_rating_pa: kPa(1000),
      arrangement: {
        service: 'reducing',
        control_line: true,
        bypass: true,
        loading: 'spring',
        vent_piped: true,
      },
    },
    target: target(400, 15, 520),
    gauges: { inlet: gauge('G-04', 1600), outlet: gauge('G-12', 1000) },
    found: { found_pa: kPa(380) },
  },
  back_pressure: {
    plate: {
      family: 'self_operated',
      ...common,
      ...own(100, 900, 140),
      size_dn: 50,
      inlet_rating_pa: kPa(1600),
      outlet_rating_pa: kPa(1000),
      arrangement: {
        service: 'back_pressure',
        control_line: true,
        bypass: false,
        loading: 'bled_last',
        vent_piped: false,
      },
    },
    target: target(500, 20, 700),
    gauges: { inlet: gauge('G-12', 1000), outlet: gauge('G-15', 1000) },
    found: { found_pa: kPa(480) },
  },
  suction: {
    plate: {
      family: 'suction',
      ...common,
      ...own(100, 700, 60),
      size_dn: 20,
      inlet_rating_pa: kPa(1500),
      outlet_rating_pa: kPa(1500),
      refrigerant: 'a test refrigerant',
    },
    target: target(400, 12, 700),
    gauges: { inlet: gauge('G-12', 1000) },
    found: { found_pa: kPa(340) },
  },
  pressure_switch: {
    plate: {
      family: 'pressure_switch',
      ...common,
      ...own(50, 900, 90),
      others: { differential: own(10, 300, 40) },
      size_dn: 8,
      inlet_rating_pa: kPa(1000),
      outlet_rating_pa: kPa(1000),
      scale: 'additive',
      printed: 'CUT-IN',
      serves_as: 'operating',
      manual_reset: false,
    },
    target: target(550, 10, 900),
    other_targets: { differential: target(120, 12, 350) },
    gauges: { inlet: gauge('G-12', 1000) },
    found: { found_pa: kPa(600), found_others: { differential: kPa(80) } },
  },
  receiver_switch: {
    plate: {
      family: 'pressure_switch',
      ...common,
      ...own(50, 900, 90),
      others: { differential: own(10, 300, 40) },
      size_dn: 8,
      inlet_rating_pa: kPa(1000),
      outlet_rating_pa: kPa(1000),
      scale: 'subtractive',
      printed: 'CUT-OUT',
      serves_as: 'operating',
      manual_reset: false,
      serves: 'receiver',
    },
    target: target(700, 10, 900),
    other_targets: { differential: target(120, 12, 350) },
    gauges: { inlet: gauge('G-12', 1000) },
    found: { found_pa: kPa(640), found_others: { differential: kPa(80) } },
  },
  burner_pilot: {
    plate: {
      family: 'burner_pilot',
      ...common,
      ...own(0.3, 3.5, 0.5),
      size_dn: 8,
      inlet_rating_pa: kPa(50),
      outlet_rating_pa: kPa(5),
      maker_low_pa: kPa(1),
      maker_high_pa: kPa(1.6),
      trial_s: 10,
    },
    target: target(1.3, 0.3, 3),
    gauges: { outlet: gauge('G-50', 5, { resolution_pa: 10, accuracy_fraction: 0.005 }) },
    found: { found_pa: kPa(1.9) },
  },
  positioner: {
    plate: {
      family: 'positioner',
      ...common,
      ...bare(20),
      others: { span: bare(20) },
      inlet_rating_pa: kPa(250),
      outlet_rating_pa: kPa(250),
      input: { kind: 'current', low: 0.004, high: 0.02 },
      output: { kind: 'fraction', low: 0, high: 1 },
      action: 'direct',
      tolerance_span: 0.01,
      air_to: 'open',
    },
    target: target(140, 10, 200),
    gauges: { inlet: calibrator, outlet: gauge('G-18', 250) },
    found: { found_pa: 30, found_others: { span: -45 } },
  },
  indicator: {
    plate: {
      family: 'indicator',
      ...common,
      ...bare(20),
      others: { span: bare(20), angularity: bare(20) },
      inlet_rating_pa: kPa(1000),
      outlet_rating_pa: kPa(1000),
      input: { kind: 'pressure', low: 0, high: kPa(1000) },
      output: { kind: 'pressure', low: 0, high: kPa(1000) },
      action: 'direct',
      tolerance_span: 0.01,
    },
    target: target(500, 10, 1000),
    gauges: { inlet: calibrator },
    found: { found_pa: 15, found_others: { span: 25, angularity: -110 } },
  },
  controller: {
    plate: {
      family: 'controller',
      ...common,
      ...bare(20),
      others: { span: bare(20), angularity: bare(20), alignment: bare(20) },
      inlet_rating_pa: kPa(1000),
      outlet_rating_pa: kPa(250),
      input: { kind: 'pressure', low: 0, high: kPa(1000) },
      output: { kind: 'pressure', low: 0, high: kPa(1000) },
      action: 'direct',
      tolerance_span: 0.01,
      out: { kind: 'pressure', low: kPa(20), high: kPa(100) },
      band_percent: 40,
      reset_minutes: 0.1,
    },
    target: target(500, 10, 1000),
    gauges: { inlet: calibrator, outlet: gauge('G-18', 250, { resolution_pa: 100 }) },
    found: { found_pa: 15, found_others: { span: 25, angularity: -110, alignment: 22 } },
  },
  electronic_pilot: {
    plate: {
      family: 'electronic_pilot',
      ...common,
      ...bare(20),
      size_dn: 100,
      inlet_rating_pa: kPa(1600),
      outlet_rating_pa: kPa(1000),
      input: { kind: 'pressure', low: 0, high: kPa(1000) },
      output: { kind: 'current', low: 0.004, high: 0.02 },
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
        at_k: 293.15,
      },
      power: {
        supply_v: 24,
        needs_v: 20,
        load_ohm: 0,
        current_a: 1.8,
        length_m: 30,
        area_m2: 1.5e-6,
        at_k: 293.15,
      },
    },
    target: target(520, 12, 650),
    gauges: { inlet: calibrator, outlet: gauge('G-12', 1000, { resolution_pa: 1000 }) },
    found: { found_pa: 22, found_others: { set_value: kPa(560) } },
  },
  temperature: {
    plate: {
      family: 'temperature',
      ...common,
      springs: [degreeSpring],
      fitted_spring: 'green',
      clockwise: 'raises',
      travel_turns: 20,
      size_dn: 32,
      min_differential_pa: 15,
      inlet_rating_pa: 120,
      outlet_rating_pa: 95,
      heated_by: 'hot_water',
      cut_out: 75,
    },
    target: { set_point_pa: 58, tolerance_pa: 1.5, limit_pa: 65, why: 'The test needs it.' },
    gauges: { outlet: thermometer },
    found: { found_pa: 51 },
  },
} satisfies Record<string, FamilySample>;
export type SampleName = keyof typeof familySamples;

export const familyStarted = (name: SampleName, over: Partial<StartedDraft> = {}): StartedDraft => {
  const { plate, gauges, found, ...targets } = familySamples[name] as FamilySample;
  return {
    type: 'started',
    valve_id: name,
    valve_tag: name,
    valve_name: 'Test',
    plate,
    target: targets.target,
    ...(targets.other_targets ? { other_targets: { ...targets.other_targets } } : {}),
    school: procedureOf(plate.family).schools[0]!.id,
    procedure_version: procedureOf(plate.family).version,
    gauges,
    house_rules: defaultHouseRules,
    priors: ratePriors(plate, () => [], defaultHouseRules),
    sheet_version: 3,
    twin: { seed: 3, faults: [], ...found },
    ...over,
  };
};

/** A whole run of a family on its twin. */
export const rehearsedFamily = (
  name: SampleName,
  over: Partial<StartedDraft> = {},
  more: Partial<RehearsalOptions> = {},
): Rehearsal => rehearsedDraft(familyStarted(name, over), more);
