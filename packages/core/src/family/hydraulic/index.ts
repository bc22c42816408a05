import { defineFamily } from '../family';
import { hydraulicIssues } from './checks';
import { hydraulicFacts } from './facts';
import { hydraulicPlateSchema } from './plate';
import { hydraulicSlots } from './slots';
import { hydraulicProcedure } from './steps';
import { drawHydraulic } from './twin';

export const hydraulic = defineFamily({
  plateSchema: hydraulicPlateSchema,
  facts: hydraulicFacts,
  procedure: hydraulicProcedure,
  draw: drawHydraulic,
  checks: hydraulicIssues,
  slots: hydraulicSlots,
});
