import type { Slots } from '../slots';
import type { HydraulicPlate } from './plate';

export const hydraulicSlots: Slots<HydraulicPlate> = {
  heaviest_load: ({ plate }, { pressure }) => pressure(plate.heaviest_load_pa),
};
