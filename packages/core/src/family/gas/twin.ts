import { seededRandom } from '../../numerics';
import { drawScrew, toKPa, type Draw } from '../../plant';
import type { GasPlate } from './plate';

/** Gas main ─ regulator ─(out)─ burners. A restricted pilot: it answers slowly and locks up a little high. */
export const drawGas: Draw<GasPlate> = (plate, { target }, { seed, faults }) => {
  const random = seededRandom(seed);
  const set = toKPa(target.set_point_pa);
  const supply = Math.min(toKPa(plate.inlet_rating_pa) * 0.6, set * 40);
  const flow = 5 * (plate.size_dn / 40) ** 2;
  return {
    screws: { main: drawScrew(plate, random, faults) },
    plant: {
      kind: 'line',
      params: {
        nodes: [
          { id: 'in', compliance: flow * 0.02, start: supply },
          { id: 'out', compliance: (flow * 0.35) / set, start: 0 },
        ],
        elements: [
          {
            id: 'main',
            kind: 'source',
            from: null,
            to: 'in',
            input: 'inlet_cock',
            slew: supply * 0.1,
            resistance: (supply * 0.02) / flow ** 2,
            levels: { on: supply },
          },
          {
            id: 'regulator',
            kind: 'regulator',
            from: 'in',
            to: 'out',
            capacity: (2 * flow) / Math.sqrt(supply),
            air: 0,
            lag: plate.loading === 'pilot' ? random.between(4, 6) : random.between(0.6, 1),
            leak: faults.includes('leaking_seat') ? flow * 4e-4 : 0,
            pilots: [
              {
                setting: 'main',
                holds: 'to',
                band: set * 0.9,
                integral: plate.loading === 'pilot' ? 0.1 / set / 4 : 0,
                lockup: set * random.between(0.02, 0.05),
              },
            ],
          },
          {
            id: 'burners',
            kind: 'cock',
            from: 'out',
            to: null,
            capacity: (flow * 3) / Math.sqrt(set + 9),
            input: 'demand',
          },
          {
            id: 'relieving',
            kind: 'cock',
            from: 'out',
            to: null,
            capacity: flow * 2e-4,
            input: 'always',
          },
        ],
        inlet: 'in',
        outlet: 'out',
        about: 'regulator',
        wideIsDeaf: true,
        sign: 1,
        highest: supply * 1.2,
      },
    },
  };
};
