import type { Slots } from '../slots';
import type { PilotReliefPlate } from './plate';

export const reliefPilotSlots: Slots<PilotReliefPlate> = {
  working: ({ plate }, { pressure }) => pressure(plate.working_pa),
};
