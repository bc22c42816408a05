import { kelvin } from '../../quantity';
import { seededRandom } from '../../numerics';
import { drawScrew, toKPa, type Draw } from '../../plant';
import { standardAirPressure } from '../../valve';
import type { SpringReliefPlate } from './plate';

/**
 *   machine ─(pipe)─ throttle to the open air        relief on the pipe
 *
 * With the throttle shut all the air goes through the valve. A vacuum is reckoned by its size.
 */
export const drawSpringRelief: Draw<SpringReliefPlate> = (plate, { target }, { seed, faults }) => {
  const random = seededRandom(seed);
  const corrected = standardAirPressure(
    plate.machine_max_pa,
    plate.altitude_m,
    kelvin(plate.air_k),
  );
  const most = Math.abs(
    toKPa(plate.maker_max_pa ?? (corrected.ok ? corrected.value : plate.machine_max_pa)),
  );
  const set = Math.abs(toKPa(target.set_point_pa));
  const flow = 40 * (plate.size_dn / 80) ** 2;
  return {
    screws: { main: drawScrew(plate, random, faults) },
    plant: {
      kind: 'line',
      params: {
        nodes: [{ id: 'pipe', compliance: (flow * 0.8) / set, start: 0 }],
        elements: [
          {
            id: 'machine',
            kind: 'source',
            from: null,
            to: 'pipe',
            input: 'machine',
            slew: most * 0.4,
            levels: { on: most * 1.5, off: 0 },
            resistance: (most * 1.2) / flow ** 2,
          },
          {
            id: 'relief',
            kind: 'relief',
            from: 'pipe',
            to: null,
            setting: 'main',
            capacity: flow,
            lag: 0.4,
            band: set * 0.03,
            blowdown: set * random.between(0.02, 0.05),
            leak: 0,
            sticking: faults.includes('sticking') ? 0.03 : 0.003,
          },
          {
            id: 'throttle',
            kind: 'cock',
            from: 'pipe',
            to: null,
            capacity: (flow * 3) / Math.sqrt(set),
            input: 'throttle',
          },
        ],
        inlet: 'pipe',
        outlet: 'pipe',
        about: 'relief',
        wideIsDeaf: false,
        sign: plate.service === 'vacuum' ? -1 : 1,
        highest: most * 2,
      },
    },
  };
};
