import {
  defaultHouseRules,
  kPa,
  ratePriors,
  type Gauge,
  type Plate,
  type RunEventDraft,
  type Sheet,
  type Valve,
} from '@holvek/core';

/** Sample valve, gauge, start and sheet for the app's tests. */
export const plate: Plate = {
  family: 'reducing',
  size_dn: 80,
  outlet_rating_pa: kPa(1000),
  inlet_rating_pa: kPa(1600),
  springs: [{ colour: 'green', from_pa: kPa(100), to_pa: kPa(700), rate_pa_per_turn: kPa(180) }],
  fitted_spring: 'green',
  clockwise: 'raises',
  travel_turns: 8,
  min_differential_pa: kPa(80),
  accessories: [],
};

export const valve: Valve = {
  id: 'prv-1',
  tag: 'PRV-1',
  name: 'Test line',
  place: 'Bench',
  plate,
  target: {
    set_point_pa: kPa(440),
    tolerance_pa: kPa(15),
    limit_pa: kPa(580),
    why: 'The test needs it.',
  },
};

export const gauge: Gauge = {
  id: 'g-12',
  tag: 'G-12',
  range_low_pa: 0,
  range_high_pa: kPa(1000),
  resolution_pa: kPa(2),
  accuracy_fraction: 0.0025,
  calibrated_on: '2026-01-10',
  calibration_due_on: '2027-01-10',
  unit: 'kPa',
  height_above_tapping_m: 0,
};

export const startedDraft = (): Extract<RunEventDraft, { type: 'started' }> => ({
  type: 'started',
  valve_id: valve.id,
  valve_tag: valve.tag,
  valve_name: valve.name,
  plate,
  target: valve.target,
  school: 'from_zero',
  procedure_version: 1,
  gauges: { inlet: { ...gauge, id: 'g-4', tag: 'G-04' }, outlet: gauge },
  house_rules: defaultHouseRules,
  priors: ratePriors(plate, () => [], defaultHouseRules),
});

/** A sheet with only what the register looks at. */
export const sheet = (
  day: string,
  found: number,
  left: number,
  over: Partial<Sheet['body']> = {},
): Sheet => ({
  id: `sheet-${day}`,
  hash: `hash-${day}`,
  body: {
    valve_id: valve.id,
    signed_at_ms: Date.parse(`${day}T10:00:00Z`),
    started_at_ms: Date.parse(`${day}T09:40:00Z`),
    outcome: 'set',
    verdict: 'pass',
    open_ends: [],
    settings: [
      {
        adjuster: 'main',
        role: 'outlet',
        as_found_pa: kPa(found),
        as_left_pa: kPa(left),
        clockwise: 'raises',
        rate_pa_per_turn: null,
      },
    ],
    gauges: { outlet: gauge },
    ...over,
  } as Sheet['body'],
});
