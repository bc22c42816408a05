import type { Slots } from '../slots';
import type { SuctionPlate } from './plate';

export const suctionSlots: Slots<SuctionPlate> = {
  refrigerant: ({ plate }) => plate.refrigerant,
};
