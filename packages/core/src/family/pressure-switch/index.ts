import { contactFacts } from '../../valve';
import { defineFamily } from '../family';
import { switchIssues } from './checks';
import { pressureSwitchFacts } from './facts';
import { switchPlateSchema } from './plate';
import { switchProcedure } from './steps';
import { drawSwitch } from './twin';

export const pressureSwitch = defineFamily({
  plateSchema: switchPlateSchema,
  plateFacts: contactFacts,
  facts: pressureSwitchFacts,
  procedure: switchProcedure,
  draw: drawSwitch,
  checks: switchIssues,
});
