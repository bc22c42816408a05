import { defineFamily } from '../family';
import { switchIssues } from './checks';
import { pressureSwitchFacts } from './facts';
import { switchPlateSchema } from './plate';
import { switchPlateFacts } from './plate-facts';
import { switchProcedure } from './steps';
import { switchProcedure2 } from './steps-2';
import { drawSwitch } from './twin';

export const pressureSwitch = defineFamily({
  plateSchema: switchPlateSchema,
  plateFacts: switchPlateFacts,
  facts: pressureSwitchFacts,
  procedure: switchProcedure2,
  earlier: [switchProcedure],
  draw: drawSwitch,
  checks: switchIssues,
});
