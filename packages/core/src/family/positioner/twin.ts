import { drawLinkage, type Draw } from '../../plant';
import type { PositionerPlate } from './plate';

/** Zero and span on a stem that the air moves against its spring. */
export const drawPositioner: Draw<PositionerPlate> = (plate, targets, sketch) =>
  drawLinkage(plate, sketch, { supply: targets.target.set_point_pa });
