import { defineFamily } from '../family';
import { suctionFacts } from './facts';
import { suctionPlateSchema } from './plate';
import { suctionPlateFacts } from './plate-facts';
import { suctionSlots } from './slots';
import { suctionProcedure } from './steps';
import { suctionProcedure2 } from './steps-2';
import { drawSuction } from './twin';

export const suction = defineFamily({
  plateSchema: suctionPlateSchema,
  plateFacts: suctionPlateFacts,
  facts: suctionFacts,
  procedure: suctionProcedure2,
  earlier: [suctionProcedure],
  draw: drawSuction,
  slots: suctionSlots,
  hides: {
    off_spring: ['off_spring', 'stiffer_or_softer'],
  },
});
