import type { Slots } from '../slots';
import type { ElectronicPilotPlate } from './plate';

export const electronicPilotSlots: Slots<ElectronicPilotPlate> = {
  trim: ({ plate }) => plate.trim,
};
