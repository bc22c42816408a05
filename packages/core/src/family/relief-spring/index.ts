import { defineFamily } from '../family';
import { springReliefIssues } from './checks';
import { reliefSpringFacts } from './facts';
import { springReliefPlateSchema } from './plate';
import { springReliefPlateFacts } from './plate-facts';
import { reliefSpringSlots } from './slots';
import { springReliefProcedure } from './steps';
import { springReliefProcedure2 } from './steps-2';
import { springReliefProcedure3 } from './steps-3';
import { drawSpringRelief } from './twin';

export const reliefSpring = defineFamily({
  plateSchema: springReliefPlateSchema,
  plateFacts: springReliefPlateFacts,
  facts: reliefSpringFacts,
  procedure: springReliefProcedure3,
  earlier: [springReliefProcedure, springReliefProcedure2],
  draw: drawSpringRelief,
  checks: springReliefIssues,
  slots: reliefSpringSlots,
  changesSpringInRun: true,
  hides: {
    reversed_screw: ['reversed'],
    off_spring: ['off_spring', 'stiffer_or_softer'],
    sticking: ['disc_stuck'],
  },
});
