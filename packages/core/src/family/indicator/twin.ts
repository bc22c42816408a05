import { drawLinkage, type Draw } from '../../plant';
import type { IndicatorPlate } from './plate';

/** A pointer and its link. */
export const drawIndicator: Draw<IndicatorPlate> = (plate, _, sketch) => drawLinkage(plate, sketch);
