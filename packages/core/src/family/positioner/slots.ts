import type { Slots } from '../slots';
import type { PositionerPlate } from './plate';

export const positionerSlots: Slots<PositionerPlate> = {
  no_air: ({ plate }) => (plate.air_to === 'open' ? 'shut' : 'open'),
};
