import { defineFamily } from '../family';
import { gasFacts } from './facts';
import { gasPlateSchema } from './plate';
import { gasProcedure } from './steps';
import { drawGas } from './twin';

export const gas = defineFamily({
  plateSchema: gasPlateSchema,
  facts: gasFacts,
  procedure: gasProcedure,
  draw: drawGas,
});
