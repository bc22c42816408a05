import { defineFamily } from '../family';
import { gasFacts } from './facts';
import { gasPlateSchema } from './plate';
import { gasPlateFacts } from './plate-facts';
import { gasSlots } from './slots';
import { gasProcedure } from './steps';
import { gasProcedure2 } from './steps-2';
import { drawGas } from './twin';

export const gas = defineFamily({
  plateSchema: gasPlateSchema,
  plateFacts: gasPlateFacts,
  facts: gasFacts,
  procedure: gasProcedure2,
  earlier: [gasProcedure],
  draw: drawGas,
  slots: gasSlots,
  hides: {
    reversed_screw: ['reversed'],
    off_spring: ['off_spring', 'stiffer_or_softer'],
    leaking_seat: ['seat_dirty'],
  },
});
