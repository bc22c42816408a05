import { defineFamily } from '../family';
import { sustainingIssues } from './checks';
import { sustainingFacts } from './facts';
import { sustainingPlateSchema } from './plate';
import { sustainingPlateFacts } from './plate-facts';
import { sustainingSlots } from './slots';
import { sustainingProcedure } from './steps';
import { sustainingProcedure2 } from './steps-2';
import { drawSustaining } from './twin';

export const sustaining = defineFamily({
  plateSchema: sustainingPlateSchema,
  plateFacts: sustainingPlateFacts,
  mayLack: ['reducing'],
  facts: sustainingFacts,
  procedure: sustainingProcedure2,
  earlier: [sustainingProcedure],
  draw: drawSustaining,
  checks: sustainingIssues,
  slots: sustainingSlots,
  hides: {
    reversed_screw: ['reversed'],
    off_spring: ['off_spring', 'stiffer_or_softer'],
    trapped_air: ['air'],
    leaking_seat: ['seat_dirty'],
  },
});
