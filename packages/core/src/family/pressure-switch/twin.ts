import { seededRandom } from '../../numerics';
import { drawScrew, toKPa, type Draw } from '../../plant';
import type { SwitchPlate } from './plate';

/** A boiler that its switch lets swing between cut-in and cut-out, about a minute a cycle. */
export const drawSwitch: Draw<SwitchPlate> = (
  plate,
  { target, other_targets: others },
  { seed, faults },
) => {
  const random = seededRandom(seed);
  const differential = toKPa(others?.['differential']?.set_point_pa ?? target.set_point_pa * 0.2);
  const speed = differential / random.between(22, 34);
  const highest = toKPa(plate.inlet_rating_pa);
  return {
    screws: {
      main: drawScrew(plate, random, faults),
      ...(plate.others?.['differential']
        ? { differential: drawScrew(plate.others['differential'], random, []) }
        : {}),
    },
    plant: {
      kind: 'boiler',
      params: {
        isAdditive: plate.scale === 'additive',
        heat: speed * 2,
        loss: (speed * highest) / (0.4 * toKPa(target.set_point_pa)),
        lag: random.between(0.2, 0.5),
        start: toKPa(target.set_point_pa) * 0.97,
        highest,
      },
    },
  };
};
