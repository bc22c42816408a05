import { defineFamily } from '../family';
import { positionerIssues } from './checks';
import { positionerFacts } from './facts';
import { positionerPlateSchema } from './plate';
import { positionerPlateFacts } from './plate-facts';
import { positionerSlots } from './slots';
import { positionerProcedure } from './steps';
import { positionerProcedure2 } from './steps-2';
import { positionerProcedure3 } from './steps-3';
import { drawPositioner } from './twin';

export const positioner = defineFamily({
  plateSchema: positionerPlateSchema,
  plateFacts: positionerPlateFacts,
  facts: positionerFacts,
  procedure: positionerProcedure3,
  earlier: [positionerProcedure, positionerProcedure2],
  draw: drawPositioner,
  checks: positionerIssues,
  slots: positionerSlots,
  hides: {
    sticking: ['friction'],
  },
});
