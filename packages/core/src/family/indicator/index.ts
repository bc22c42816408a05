import { pointsFacts } from '../../valve';
import { defineFamily } from '../family';
import { linkageIssues } from '../shared/instrument-checks';
import { indicatorFacts } from './facts';
import { indicatorPlateSchema } from './plate';
import { indicatorProcedure } from './steps';
import { indicatorProcedure2 } from './steps-2';
import { drawIndicator } from './twin';

export const indicator = defineFamily({
  plateSchema: indicatorPlateSchema,
  plateFacts: pointsFacts,
  facts: indicatorFacts,
  procedure: indicatorProcedure2,
  earlier: [indicatorProcedure],
  draw: drawIndicator,
  checks: linkageIssues,
  hides: {
    sticking: ['link_binds'],
  },
});
