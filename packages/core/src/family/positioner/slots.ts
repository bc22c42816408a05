import type { Slots } from '../slots';
import type { PositionerPlate } from './plate';

export const positionerSlots: Slots<PositionerPlate> = {
  no_air: ({ plate }) => (plate.air_to === 'open' ? 'shut' : 'open'),
  full_means: ({ plate: { air_to: air, action } }) =>
    (air === 'open') === (action === 'direct') ? 'open' : 'shut',
};
