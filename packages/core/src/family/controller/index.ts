import { defineFamily } from '../family';
import { linkageIssues } from '../shared/instrument-checks';
import { controllerFacts } from './facts';
import { controllerPlateSchema } from './plate';
import { controllerProcedure } from './steps';
import { drawController } from './twin';

export const controller = defineFamily({
  plateSchema: controllerPlateSchema,
  facts: controllerFacts,
  procedure: controllerProcedure,
  draw: drawController,
  checks: linkageIssues,
});
