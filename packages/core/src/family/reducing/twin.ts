import { seededRandom } from '../../numerics';
import { drawScrew, type Draw } from '../../plant';
import type { TwinFault } from '../../valve';
import type { ReducingPlate } from './plate';

export const drawReducing: Draw<ReducingPlate> = (
  plate,
  { target: { set_point_pa } },
  { seed, faults },
) => {
  const random = seededRandom(seed);
  const has = (fault: TwinFault) => faults.includes(fault);
  const target = set_point_pa / 1000;
  const capacity = 0.9 * (plate.size_dn / 80) ** 2;
  const plenty = Math.min(
    plate.inlet_rating_pa / 1000,
    target + plate.min_differential_pa / 1000 + random.between(220, 420),
  );
  const main = drawScrew(plate, random, faults);
  return {
    screws: { main },
    plant: {
      kind: 'reducing',
      params: {
        supply: has('weak_supply') ? target + random.between(5, 25) : plenty,
        supplyResistance: (has('weak_supply') ? 9 : 0.6) / capacity ** 2,
        capacity,
        demandCapacity: capacity * 0.5,
        pipeCompliance: capacity * random.between(0.06, 0.09),
        mainCompliance: capacity * (has('slow_main') ? 1.6 : random.between(0.35, 0.6)),
        mainVolume: capacity * (has('slow_main') ? 2400 : random.between(60, 120)),
        mainDrain: has('slow_main') ? capacity * 16 : 0,
        isolatorRatio: has('slow_main') ? 8 : 3,
        air: has('trapped_air') ? 0.85 : random.between(0.02, 0.12),
        seatLeak: has('leaking_seat') ? capacity * 0.004 : capacity * 1e-6,
        droop: random.between(8, 26),
      },
    },
  };
};
