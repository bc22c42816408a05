import { defineFamily } from '../family';
import { electronicIssues } from './checks';
import { electronicPilotFacts } from './facts';
import { electronicPilotPlateSchema } from './plate';
import { electronicPilotPlateFacts } from './plate-facts';
import { electronicPilotSlots } from './slots';
import { electronicPilotProcedure } from './steps';
import { electronicPilotProcedure2 } from './steps-2';
import { electronicPilotProcedure3 } from './steps-3';
import { drawElectronicPilot } from './twin';

export const electronicPilot = defineFamily({
  plateSchema: electronicPilotPlateSchema,
  plateFacts: electronicPilotPlateFacts,
  facts: electronicPilotFacts,
  procedure: electronicPilotProcedure3,
  earlier: [electronicPilotProcedure, electronicPilotProcedure2],
  draw: drawElectronicPilot,
  checks: electronicIssues,
  slots: electronicPilotSlots,
  hides: {
    blocked_stem: ['stem_blocked'],
  },
});
