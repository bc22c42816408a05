import type { Valve } from '@holvek/core';
import type { DemoValve } from './demo-valve';

/** The lodge's hot water: every figure in degrees. */
const lodgeWater: Valve = {
  id: 'tr-09',
  tag: 'TR-09',
  name: 'Lodge hot water',
  place: 'Lodge, boiler room',
  target: {
    set_point_pa: 58,
    tolerance_pa: 1.5,
    limit_pa: 64,
    why: 'The store must stay above 55 °C; at 65 the ring’s mixers no longer hold.',
  },
  plate: {
    family: 'temperature',
    size_dn: 32,
    accessories: [],
    min_differential_pa: 15,
    springs: [
      { colour: 'white', from_pa: 5, to_pa: 40, rate_pa_per_turn: 2.8 },
      { colour: 'red', from_pa: 30, to_pa: 75, rate_pa_per_turn: 4.5 },
    ],
    fitted_spring: 'red',
    clockwise: 'raises',
    travel_turns: 20,
    inlet_rating_pa: 120,
    outlet_rating_pa: 95,
    heated_by: 'hot_water',
    cut_out: 75,
  },
  twin: { seed: 909, faults: [], found_pa: 54.5 },
};

export const temperatureValves: readonly DemoValve[] = [
  { valve: lodgeWater, visits: [741, 380], wander: [-4.6, -3.4], gauges: { outlet: 'T-02' } },
];
