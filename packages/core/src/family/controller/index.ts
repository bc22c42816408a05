import { defineFamily } from '../family';
import { linkageIssues } from '../shared/instrument-checks';
import { controllerFacts } from './facts';
import { controllerPlateSchema } from './plate';
import { controllerPlateFacts } from './plate-facts';
import { controllerProcedure } from './steps';
import { controllerProcedure2 } from './steps-2';
import { drawController } from './twin';

export const controller = defineFamily({
  plateSchema: controllerPlateSchema,
  plateFacts: controllerPlateFacts,
  facts: controllerFacts,
  procedure: controllerProcedure2,
  earlier: [controllerProcedure],
  draw: drawController,
  checks: linkageIssues,
});
