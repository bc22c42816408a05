import { defineFamily } from '../family';
import { selfOperatedFacts } from './facts';
import { selfOperatedPlateSchema } from './plate';
import { selfOperatedProcedure } from './steps';
import { drawSelfOperated } from './twin';

export const selfOperated = defineFamily({
  plateSchema: selfOperatedPlateSchema,
  facts: selfOperatedFacts,
  procedure: selfOperatedProcedure,
  draw: drawSelfOperated,
  holdsOn: ({ arrangement }) => (arrangement.service === 'reducing' ? 'outlet' : 'inlet'),
});
