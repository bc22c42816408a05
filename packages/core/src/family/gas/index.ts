import { defineFamily } from '../family';
import { gasFacts } from './facts';
import { gasPlateSchema } from './plate';
import { gasPlateFacts } from './plate-facts';
import { gasProcedure } from './steps';
import { drawGas } from './twin';

export const gas = defineFamily({
  plateSchema: gasPlateSchema,
  plateFacts: gasPlateFacts,
  facts: gasFacts,
  procedure: gasProcedure,
  draw: drawGas,
});
