import { defineFamily } from '../family';
import { temperatureIssues } from './checks';
import { temperatureFacts } from './facts';
import { temperaturePlateSchema } from './plate';
import { temperaturePlateFacts, temperaturePlateSays } from './plate-facts';
import { temperatureSlots } from './slots';
import { temperatureProcedure } from './steps';
import { drawTemperature } from './twin';

export const temperature = defineFamily({
  plateSchema: temperaturePlateSchema,
  plateFacts: temperaturePlateFacts,
  says: temperaturePlateSays,
  facts: temperatureFacts,
  procedure: temperatureProcedure,
  draw: drawTemperature,
  checks: temperatureIssues,
  slots: temperatureSlots,
  hides: {
    reversed_screw: ['reversed'],
    off_spring: ['off_spring', 'stiffer_or_softer'],
    leaking_seat: ['seat_dirty'],
    weak_supply: ['heat_missing'],
  },
});
