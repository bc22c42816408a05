import { seededRandom } from '../../numerics';
import { spanOf } from '../../quantity';
import type { ControllerPlate } from '../../valve';
import type { LinkageParams } from '../linkage-plant';
import { toKPa, type Draw } from './drawn';
import { drawLinkage } from './linkage';

/** The pointer's linkage as of any indicator; an alignment a little off; a process with some dead time. */
export const drawController: Draw<ControllerPlate> = (plate, targets, sketch) => {
  const drawn = drawLinkage(plate, targets, sketch);
  const random = seededRandom(sketch.seed + 7);
  const { alignment } = drawn.screws;
  const aligned = alignment ? (alignment.rate * alignment.travel) / 2 : 0;
  const low = Math.min(plate.out.low, plate.out.high);
  return {
    ...drawn,
    start: { ...drawn.start, alignment: aligned + (sketch.found_others?.['alignment'] ?? 0) },
    plant: {
      kind: 'controller',
      params: {
        linkage: drawn.plant.params as LinkageParams,
        aligned: toKPa(aligned),
        gain: random.between(0.7, 1.6),
        timeConstant: random.between(18, 40),
        deadTime: random.between(3, 8),
        rest: 0.5,
        outMiddle: toKPa(low + Math.abs(spanOf(plate.out)) / 2),
        outSpan: toKPa(Math.abs(spanOf(plate.out))),
      },
    },
  };
};
