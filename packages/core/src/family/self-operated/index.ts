import { defineFamily } from '../family';
import { selfOperatedFacts } from './facts';
import { selfOperatedPlateSchema, type SelfOperatedPlate } from './plate';
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
  // A plate that is still being written has no arrangement yet.
  carries: ({ arrangement }: Partial<SelfOperatedPlate>) => arrangement?.fluid,
  holdsOn: ({ arrangement }) => (arrangement.service === 'reducing' ? 'outlet' : 'inlet'),
  hides: {
    reversed_screw: ['reversed'],
    off_spring: ['off_spring', 'stiffer_or_softer'],
    leaking_seat: ['seat_dirty'],
  },
});
