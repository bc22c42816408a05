import { seededRandom } from '../../numerics';
import { drawScrew, toKPa, type Draw } from '../../plant';
import type { PilotReliefPlate } from './plate';

/**
 *   pump ─(line)─ demand        relief on the line to the open air
 *
 * Throttling downstream sends the pump back up its curve: the line runs to the level it is asked for.
 */
export const drawPilotRelief: Draw<PilotReliefPlate> = (plate, { target }, { seed, faults }) => {
  const random = seededRandom(seed);
  const set = toKPa(target.set_point_pa);
  const working = toKPa(plate.working_pa);
  const flow = 8 * (plate.size_dn / 80) ** 2;
  const greatest = faults.includes('weak_supply') ? Math.min(set * 0.94, set - 20) : set * 1.12;
  return {
    screws: { main: drawScrew(plate, random, faults) },
    plant: {
      kind: 'line',
      params: {
        nodes: [{ id: 'line', compliance: flow * 0.01, start: working }],
        elements: [
          {
            id: 'pump',
            kind: 'source',
            from: null,
            to: 'line',
            input: 'line',
            slew: set * 0.012,
            levels: {
              working,
              at_set: Math.min(set, greatest),
              over: greatest,
              low: working * 0.5,
              off: 0,
            },
            resistance: (0.05 * set) / flow ** 2,
          },
          {
            id: 'relief',
            kind: 'relief',
            from: 'line',
            to: null,
            setting: 'main',
            capacity: flow,
            lag: 0.6,
            band: set * random.between(0.03, 0.05),
            blowdown: set * random.between(0.03, 0.07),
            leak: faults.includes('leaking_seat') ? flow * 0.002 : 0,
            sticking: faults.includes('sticking') ? 0.02 : 0.0025,
          },
          {
            id: 'draw',
            kind: 'cock',
            from: 'line',
            to: null,
            capacity: flow * 0.004,
            input: 'demand',
          },
        ],
        inlet: 'line',
        outlet: 'line',
        about: 'relief',
        wideIsDeaf: false,
        sign: 1,
        highest: set * 2,
      },
    },
  };
};
