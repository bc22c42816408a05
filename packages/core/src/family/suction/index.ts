import { defineFamily } from '../family';
import { suctionFacts } from './facts';
import { suctionPlateSchema } from './plate';
import { suctionSlots } from './slots';
import { suctionProcedure } from './steps';
import { drawSuction } from './twin';

export const suction = defineFamily({
  plateSchema: suctionPlateSchema,
  facts: suctionFacts,
  procedure: suctionProcedure,
  draw: drawSuction,
  slots: suctionSlots,
});
