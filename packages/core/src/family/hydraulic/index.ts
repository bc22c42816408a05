import { defineFamily } from '../family';
import { hydraulicIssues } from './checks';
import { hydraulicFacts } from './facts';
import { hydraulicPlateSchema } from './plate';
import { hydraulicSlots } from './slots';
import { hydraulicProcedure } from './steps';
import { hydraulicProcedure2 } from './steps-2';
import { drawHydraulic } from './twin';

export const hydraulic = defineFamily({
  plateSchema: hydraulicPlateSchema,
  facts: hydraulicFacts,
  procedure: hydraulicProcedure2,
  earlier: [hydraulicProcedure],
  draw: drawHydraulic,
  checks: hydraulicIssues,
  slots: hydraulicSlots,
});
