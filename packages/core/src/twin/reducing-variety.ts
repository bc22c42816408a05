import type { ReducingPlate, TwinFault, TwinSketch } from '../valve';
import { seededRandom } from '../numerics';
import type { ReducingParams } from './reducing-plant';
import type { ScrewParams } from './screw';

/** Parameters of a reducing valve's twin. The same plate, target and recipe give the same twin. */
export function reducingVariety(
  plate: ReducingPlate,
  targetPa: number,
  { seed, faults }: Pick<TwinSketch, 'seed' | 'faults'>,
): { readonly plant: ReducingParams; readonly screw: ScrewParams } {
  const random = seededRandom(seed);
  const has = (fault: TwinFault) => faults.includes(fault);
  const target = targetPa / 1000;
  const spring = plate.springs.find(({ colour }) => colour === plate.fitted_spring) ?? plate.springs[0]!;
  const capacity = 0.9 * (plate.size_dn / 80) ** 2;
  const plenty = Math.min(
    plate.inlet_rating_pa / 1000,
    target + plate.min_differential_pa / 1000 + random.between(220, 420),
  );
  const platedSense = plate.clockwise === 'lowers' ? -1 : 1;
  const isReversed = has('reversed_screw');
  return {
    screw: {
      rate: spring.rate_pa_per_turn * random.between(0.72, 1.28),
      curvature: random.between(-0.2, 0.2),
      backlash: random.between(0.02, 0.22),
      travel: has('off_spring') ? plate.travel_turns * 0.5 : plate.travel_turns,
      sense: isReversed ? (platedSense === 1 ? -1 : 1) : platedSense,
    },
    plant: {
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
  };
}
