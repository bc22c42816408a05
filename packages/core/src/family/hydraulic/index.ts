import { defineFamily } from '../family';
import { hydraulicIssues } from './checks';
import { hydraulicFacts } from './facts';
import { hydraulicPlateSchema } from './plate';
import { hydraulicPlateFacts } from './plate-facts';
import { hydraulicSlots } from './slots';
import { hydraulicProcedure } from './steps';
import { hydraulicProcedure2 } from './steps-2';
import { hydraulicProcedure3 } from './steps-3';
import { hydraulicProcedure4 } from './steps-4';
import { drawHydraulic } from './twin';

export const hydraulic = defineFamily({
  plateSchema: hydraulicPlateSchema,
  plateFacts: hydraulicPlateFacts,
  facts: hydraulicFacts,
  procedure: hydraulicProcedure4,
  earlier: [hydraulicProcedure, hydraulicProcedure2, hydraulicProcedure3],
  draw: drawHydraulic,
  checks: hydraulicIssues,
  slots: hydraulicSlots,
  hides: {
    reversed_screw: ['reversed'],
    off_spring: ['off_spring', 'stiffer_or_softer'],
  },
});
