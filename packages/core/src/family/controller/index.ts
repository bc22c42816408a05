import { defineFamily } from '../family';
import { linkageIssues } from '../shared/instrument-checks';
import { controllerFacts } from './facts';
import { controllerPlateSchema } from './plate';
import { controllerPlateFacts } from './plate-facts';
import { controllerProcedure } from './steps';
import { drawController } from './twin';

export const controller = defineFamily({
  plateSchema: controllerPlateSchema,
  plateFacts: controllerPlateFacts,
  facts: controllerFacts,
  procedure: controllerProcedure,
  draw: drawController,
  checks: linkageIssues,
});
