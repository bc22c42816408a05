import { defineFamily } from '../family';
import { selfOperatedFacts } from './facts';
import { selfOperatedPlateSchema } from './plate';
import { selfOperatedPlateFacts } from './plate-facts';
import { selfOperatedProcedure } from './steps';
import { selfOperatedProcedure2 } from './steps-2';
import { drawSelfOperated } from './twin';

export const selfOperated = defineFamily({
  plateSchema: selfOperatedPlateSchema,
  plateFacts: selfOperatedPlateFacts,
  facts: selfOperatedFacts,
  procedure: selfOperatedProcedure2,
  earlier: [selfOperatedProcedure],
  draw: drawSelfOperated,
  holdsOn: ({ arrangement }) => (arrangement.service === 'reducing' ? 'outlet' : 'inlet'),
});
