import type { Slots } from '../slots';
import type { SustainingPlate } from './plate';

export const sustainingSlots: Slots<SustainingPlate> = {
  pump_running: ({ plate }, { pressure }) => pressure(plate.pump_running_pa),
  cavitation: ({ plate }, { pressure }) => pressure(plate.cavitation_pa),
};
