import { defineFamily } from '../family';
import { reducingFacts } from './facts';
import { reducingPlateSchema } from './plate';
import { reducingProcedure } from './steps';
import { drawReducing } from './twin';

export const reducing = defineFamily({
  plateSchema: reducingPlateSchema,
  facts: reducingFacts,
  procedure: reducingProcedure,
  draw: drawReducing,
  hides: {
    reversed_screw: ['reversed'],
    off_spring: ['off_spring', 'stiffer_or_softer'],
    slow_main: ['main_filling'],
    trapped_air: ['air'],
    leaking_seat: ['seat_dirty'],
    weak_supply: ['supply_low'],
  },
});
