import type { Random } from '../numerics';
import type { AdjusterPlate, AnyPlate, Targets, TwinFault, TwinSketch } from '../valve';
import type { ActuatorParams } from './actuator-plant';
import type { BoilerParams } from './boiler-plant';
import type { ControllerParams } from './controller-plant';
import type { HeaterParams } from './heater-plant';
import type { LineParams } from './line-params';
import type { LinkageParams } from './linkage-plant';
import type { ReducingParams } from './reducing-plant';
import type { ScrewParams } from './screw';

/** A plant's parameters with the name of its equations: plain data, so that a twin can be kept and sent. */
export type DrawnPlant =
  | { readonly kind: 'reducing'; readonly params: ReducingParams }
  | { readonly kind: 'line'; readonly params: LineParams }
  | { readonly kind: 'linkage'; readonly params: LinkageParams }
  | { readonly kind: 'boiler'; readonly params: BoilerParams }
  | { readonly kind: 'controller'; readonly params: ControllerParams }
  | { readonly kind: 'actuator'; readonly params: ActuatorParams }
  | { readonly kind: 'heater'; readonly params: HeaterParams };
export type Drawn = {
  readonly plant: DrawnPlant;
  /** Screw of each adjuster by its id. */
  readonly screws: Readonly<Record<string, ScrewParams>>;
  /** Where a screw stands when it is not found at a pressure, in the units of its rate. */
  readonly start?: Readonly<Record<string, number>>;
};
/** The same plate, targets and recipe give the same twin. */
export type Draw<P extends AnyPlate = AnyPlate> = (
  plate: P,
  targets: Targets,
  sketch: TwinSketch,
) => Drawn;

/** A screw like its plate, give or take: rate ± 28 %, a bend, some play; a fault may turn it round. */
export function drawScrew(
  plate: AdjusterPlate,
  random: Random,
  faults: readonly TwinFault[],
): ScrewParams {
  const spring =
    plate.springs.find(({ colour }) => colour === plate.fitted_spring) ?? plate.springs[0]!;
  const plated = plate.clockwise === 'lowers' ? -1 : 1;
  return {
    rate: spring.rate_pa_per_turn * random.between(0.72, 1.28),
    curvature: random.between(-0.2, 0.2),
    backlash: random.between(0.02, 0.22),
    travel: faults.includes('off_spring') ? plate.travel_turns * 0.5 : plate.travel_turns,
    sense: faults.includes('reversed_screw') ? (plated === 1 ? -1 : 1) : plated,
  };
}

export const toKPa = (pa: number): number => pa / 1000;
