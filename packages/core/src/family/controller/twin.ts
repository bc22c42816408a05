import { seededRandom } from '../../numerics';
import { drawLinkage, toKPa, type Draw, type LinkageParams } from '../../plant';
import { spanOf } from '../../quantity';
import type { ControllerPlate } from './plate';

/** The pointer's linkage as of any indicator; an alignment a little off; a process with some dead time. */
export const drawController: Draw<ControllerPlate> = (plate, _, sketch) => {
  const drawn = drawLinkage(plate, sketch);
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
