import { seededRandom } from '../../numerics';
import { drawScrew, toKPa, type Draw } from '../../plant';
import type { BurnerPlate } from './plate';

/** Gas ─ pilot regulator ─ manometer ─ pilot burner, with a flame that lights between two edges of its own. */
export const drawBurner: Draw<BurnerPlate> = (plate, _, { seed, faults }) => {
  const random = seededRandom(seed);
  const [low, high] = [toKPa(plate.maker_low_pa), toKPa(plate.maker_high_pa)];
  const middle = (low + high) / 2;
  const supply = middle * 12;
  const flow = 0.6;
  return {
    screws: { main: drawScrew(plate, random, faults) },
    plant: {
      kind: 'line',
      params: {
        nodes: [
          { id: 'in', compliance: flow * 0.02, start: supply },
          { id: 'out', compliance: (flow * 0.2) / middle, start: 0 },
        ],
        elements: [
          {
            id: 'main',
            kind: 'source',
            from: null,
            to: 'in',
            input: 'always',
            slew: supply,
            resistance: (supply * 0.01) / flow ** 2,
            levels: { on: supply },
          },
          {
            id: 'regulator',
            kind: 'regulator',
            from: 'in',
            to: 'out',
            capacity: (2 * flow) / Math.sqrt(supply),
            air: 0,
            lag: random.between(0.3, 0.7),
            leak: 0,
            pilots: [
              {
                setting: 'main',
                holds: 'to',
                band: middle * 0.5,
                integral: 0.2 / middle,
                lockup: middle * 0.04,
              },
            ],
          },
          {
            id: 'pilot',
            kind: 'cock',
            from: 'out',
            to: null,
            capacity: flow / Math.sqrt(middle + 9),
            input: 'gas',
          },
          {
            id: 'weep',
            kind: 'cock',
            from: 'out',
            to: null,
            capacity: flow * 0.05,
            input: 'always',
          },
        ],
        inlet: 'in',
        outlet: 'out',
        about: 'regulator',
        wideIsDeaf: true,
        sign: 1,
        highest: supply * 1.2,
        flame: {
          low: low * random.between(0.72, 0.95),
          high: high * random.between(1.1, 1.4),
          soft: middle * 0.012,
        },
      },
    },
  };
};
