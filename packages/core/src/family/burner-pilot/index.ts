import { flameFacts } from '../../valve';
import { defineFamily } from '../family';
import { burnerIssues } from './checks';
import { burnerPilotFacts } from './facts';
import { burnerPlateSchema } from './plate';
import { burnerPilotSlots } from './slots';
import { burnerProcedure } from './steps';
import { burnerProcedure2 } from './steps-2';
import { drawBurner } from './twin';

export const burnerPilot = defineFamily({
  plateSchema: burnerPlateSchema,
  plateFacts: flameFacts,
  facts: burnerPilotFacts,
  procedure: burnerProcedure2,
  earlier: [burnerProcedure],
  draw: drawBurner,
  checks: burnerIssues,
  slots: burnerPilotSlots,
});
