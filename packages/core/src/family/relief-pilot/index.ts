import { defineFamily } from '../family';
import { pilotReliefIssues } from './checks';
import { reliefPilotFacts } from './facts';
import { pilotReliefPlateSchema } from './plate';
import { pilotReliefPlateFacts } from './plate-facts';
import { reliefPilotSlots } from './slots';
import { pilotReliefProcedure } from './steps';
import { pilotReliefProcedure2 } from './steps-2';
import { pilotReliefProcedure3 } from './steps-3';
import { drawPilotRelief } from './twin';

export const reliefPilot = defineFamily({
  plateSchema: pilotReliefPlateSchema,
  plateFacts: pilotReliefPlateFacts,
  facts: reliefPilotFacts,
  procedure: pilotReliefProcedure3,
  earlier: [pilotReliefProcedure, pilotReliefProcedure2],
  draw: drawPilotRelief,
  checks: pilotReliefIssues,
  slots: reliefPilotSlots,
  hides: {
    reversed_screw: ['reversed'],
    off_spring: ['off_spring'],
    leaking_seat: ['seat_dirty'],
    sticking: ['stem_seized'],
  },
});
