import { defineFamily } from '../family';
import { positionerIssues } from './checks';
import { positionerFacts } from './facts';
import { positionerPlateSchema } from './plate';
import { positionerPlateFacts } from './plate-facts';
import { positionerSlots } from './slots';
import { positionerProcedure } from './steps';
import { drawPositioner } from './twin';

export const positioner = defineFamily({
  plateSchema: positionerPlateSchema,
  plateFacts: positionerPlateFacts,
  facts: positionerFacts,
  procedure: positionerProcedure,
  draw: drawPositioner,
  checks: positionerIssues,
  slots: positionerSlots,
});
