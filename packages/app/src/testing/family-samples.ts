import {
  defaultHouseRules,
  hasFlame,
  kPa,
  procedureOf,
  reduceRun,
  startDraft,
  unwrap,
  type Run,
  type RunEvent,
  type RunEventDraft,
  type Valve,
} from '@holvek/core';
import { gauge, valve } from './samples';

const common = {
  size_dn: 80,
  min_differential_pa: 0,
  accessories: [],
  clockwise: 'raises' as const,
};
const spring = (colour: string, from: number, to: number, rate: number) => ({
  colour,
  from_pa: kPa(from),
  to_pa: kPa(to),
  rate_pa_per_turn: kPa(rate),
});

/** One valve of the families whose steps have screens of their own. */
export const relief: Valve = {
  ...valve,
  id: 'rv-1',
  tag: 'RV-1',
  target: {
    set_point_pa: kPa(1180),
    tolerance_pa: kPa(30),
    limit_pa: kPa(1500),
    why: 'The pipe is rated 1600.',
  },
  plate: {
    family: 'relief_pilot',
    ...common,
    springs: [spring('green', 400, 1600, 220)],
    fitted_spring: 'green',
    travel_turns: 11,
    inlet_rating_pa: kPa(1600),
    outlet_rating_pa: kPa(1600),
    working_pa: kPa(950),
  },
};
export const blower: Valve = {
  ...valve,
  id: 'bsv-1',
  tag: 'BSV-1',
  target: {
    set_point_pa: kPa(26),
    tolerance_pa: kPa(1),
    limit_pa: kPa(29),
    why: 'The blower’s plate.',
  },
  plate: {
    family: 'relief_spring',
    ...common,
    springs: [spring('yellow', 5, 18, 2), spring('blue', 15, 38, 4)],
    fitted_spring: 'yellow',
    travel_turns: 14,
    inlet_rating_pa: kPa(60),
    outlet_rating_pa: kPa(60),
    service: 'pressure',
    machine_max_pa: kPa(32),
    altitude_m: 0,
    air_k: 293.15,
  },
};
export const gas: Valve = {
  ...valve,
  id: 'gr-1',
  tag: 'GR-1',
  target: {
    set_point_pa: kPa(2.1),
    tolerance_pa: kPa(0.1),
    limit_pa: kPa(3.5),
    why: 'The burner’s plate.',
  },
  plate: {
    family: 'gas',
    ...common,
    springs: [spring('green', 1, 6, 0.8)],
    fitted_spring: 'green',
    travel_turns: 12,
    inlet_rating_pa: kPa(400),
    outlet_rating_pa: kPa(10),
    loading: 'pilot',
  },
};

export const electronic: Valve = {
  ...valve,
  id: 'ep-1',
  tag: 'EP-1',
  target: {
    set_point_pa: kPa(520),
    tolerance_pa: kPa(12),
    limit_pa: kPa(650),
    why: 'The guns need 480.',
  },
  plate: {
    family: 'electronic_pilot',
    ...common,
    springs: [],
    fitted_spring: '',
    travel_turns: 20,
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
      length_m: 60,
      area_m2: 1.5e-6,
      at_k: 293.15,
    },
  },
};

const bare = { springs: [], fitted_spring: '', clockwise: 'raises' as const, travel_turns: 20 };
const small = { size_dn: 15, min_differential_pa: 0, accessories: [] };
const scale = { kind: 'pressure' as const, low: 0, high: kPa(1000) };
export const positioner: Valve = {
  ...valve,
  tag: 'POS-1',
  target: {
    set_point_pa: kPa(140),
    tolerance_pa: kPa(10),
    limit_pa: kPa(200),
    why: 'The valve’s plate.',
  },
  plate: {
    family: 'positioner',
    ...small,
    ...bare,
    others: { span: bare },
    inlet_rating_pa: kPa(250),
    outlet_rating_pa: kPa(250),
    input: { kind: 'current', low: 0.004, high: 0.02 },
    output: { kind: 'fraction', low: 0, high: 1 },
    action: 'direct',
    tolerance_span: 0.01,
    air_to: 'open',
  },
};
export const pressureSwitch: Valve = {
  ...valve,
  tag: 'PS-1',
  target: {
    set_point_pa: kPa(550),
    tolerance_pa: kPa(10),
    limit_pa: kPa(900),
    why: 'The ring asks for 500.',
  },
  other_targets: {
    differential: {
      set_point_pa: kPa(150),
      tolerance_pa: kPa(12),
      limit_pa: kPa(350),
      why: 'Eight starts an hour.',
    },
  },
  plate: {
    family: 'pressure_switch',
    ...small,
    springs: [spring('plain', 100, 900, 90)],
    fitted_spring: 'plain',
    clockwise: 'raises',
    travel_turns: 15,
    others: {
      differential: {
        springs: [spring('plain', 20, 300, 40)],
        fitted_spring: 'plain',
        clockwise: 'raises',
        travel_turns: 12,
      },
    },
    inlet_rating_pa: kPa(1000),
    outlet_rating_pa: kPa(1000),
    scale: 'additive',
    printed: 'CUT-IN',
    serves_as: 'operating',
    manual_reset: false,
  },
};
export const burner: Valve = {
  ...valve,
  tag: 'BP-1',
  target: { set_point_pa: 1300, tolerance_pa: 300, limit_pa: 3000, why: 'The burner’s plate.' },
  plate: {
    family: 'burner_pilot',
    ...small,
    springs: [spring('plain', 0.3, 3.5, 0.5)],
    fitted_spring: 'plain',
    clockwise: 'raises',
    travel_turns: 11,
    inlet_rating_pa: kPa(50),
    outlet_rating_pa: kPa(5),
    maker_low_pa: 1000,
    maker_high_pa: 1600,
    trial_s: 10,
  },
};
export const controller: Valve = {
  ...valve,
  tag: 'PC-1',
  target: {
    set_point_pa: kPa(500),
    tolerance_pa: kPa(10),
    limit_pa: kPa(1000),
    why: 'The header.',
  },
  plate: {
    family: 'controller',
    ...small,
    ...bare,
    others: { span: bare, angularity: bare, alignment: bare },
    inlet_rating_pa: kPa(1000),
    outlet_rating_pa: kPa(250),
    input: scale,
    output: scale,
    action: 'direct',
    tolerance_span: 0.01,
    out: { kind: 'pressure', low: kPa(20), high: kPa(100) },
    band_percent: 40,
    reset_minutes: 0.1,
  },
};

const gauges = {
  inlet: { ...gauge, id: 'g-4', tag: 'G-04', range_high_pa: kPa(1600) },
  outlet: gauge,
};

const manometer = { ...gauge, range_high_pa: kPa(5), resolution_pa: 10, accuracy_fraction: 0.005 };

/** A run of a valve after some entries, typed, so that no worker is wanted. */
export function runOf(of: Valve, drafts: readonly RunEventDraft[] = [], school?: string): Run {
  const started = startDraft(of, {
    school: school ?? procedureOf(of.plate.family).schools[0]!.id,
    gauges: hasFlame(of.plate) ? { outlet: manometer } : gauges,
    rules: defaultHouseRules,
    sheets: [],
  });
  const events = [started, ...drafts].map((draft, i) => ({
    ...draft,
    id: `e${String(i).padStart(4, '0')}`,
    run_id: 'run-1',
    author: 'Edda',
    at_ms: 1_790_000_000_000 + i * 60_000,
    lamport: i + 1,
  })) as RunEvent[];
  return unwrap(reduceRun(events));
}

export const stepOf = (run: Run, id: string) => {
  const step = run.procedure.steps.find((each) => each.id === id);
  if (!step) throw new Error(`no step ${id}`);
  return step;
};

export const marked = (
  step_id: string,
  mark: 'cracked' | 'full_flow' | 'reseated',
  cycle: number,
  kpa: number,
): RunEventDraft => ({
  type: 'marked',
  step_id,
  role: 'inlet',
  mark,
  cycle,
  reading: {
    si: kPa(kpa),
    entered: { text: String(kpa), unit: 'kPa' },
    gauge_id: 'g-4',
    source: 'typed',
  },
});
