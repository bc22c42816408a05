import { seededRandom } from '../../numerics';
import { drawScrew, type Draw } from '../../plant';
import type { TwinFault } from '../../valve';
import type { TemperaturePlate } from './plate';

/** Cold water as it comes in, K above ice. */
const COLD = 9;

/** A heat exchanger behind the valve: tap water drawn through it, and a bulb that feels it late. */
export const drawTemperature: Draw<TemperaturePlate> = (plate, { target }, { seed, faults }) => {
  const random = seededRandom(seed);
  const has = (fault: TwinFault) => faults.includes(fault);
  const set = target.set_point_pa;
  const medium = Math.min(
    plate.inlet_rating_pa,
    set + plate.min_differential_pa + random.between(12, 25),
  );
  const drawn = random.between(0.014, 0.02);
  return {
    screws: { main: drawScrew(plate, random, faults) },
    plant: {
      kind: 'heater',
      params: {
        cold: COLD,
        medium: has('weak_supply') ? set + random.between(0.5, 2) : medium,
        drawn,
        // Wide open it holds the water at the set point with a third more drawn than ever is.
        heat: (1.35 * drawn * (set - COLD)) / (medium - set),
        loss: 1e-4,
        bulbLag: random.between(4, 7),
        valveLag: random.between(0.8, 1.4),
        band: random.between(7, 10),
        leak: has('leaking_seat') ? 0.02 : 2e-5,
        highest: plate.outlet_rating_pa * 1.2,
      },
    },
  };
};
