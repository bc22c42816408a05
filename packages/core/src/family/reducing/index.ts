import { defineFamily } from '../family';
import { reducingFacts } from './facts';
import { reducingPlateSchema } from './plate';
import { reducingProcedure } from './steps';
import { drawReducing } from './twin';

export const reducing = defineFamily({
  plateSchema: reducingPlateSchema,
  facts: reducingFacts,
  procedure: reducingProcedure,
  draw: drawReducing,
});
