import type { Slots } from '../slots';
import { greatestOf } from './checks';
import type { SpringReliefPlate } from './plate';

export const reliefSpringSlots: Slots<SpringReliefPlate> = {
  machine_max: ({ plate }, { pressure }) => pressure(plate.machine_max_pa),
  corrected_max: ({ plate }, { pressure }) => pressure(greatestOf(plate)),
  flow_arrow: ({ plate }) =>
    plate.service === 'vacuum'
      ? 'with the flow: out of the room, into the pipe'
      : 'with the flow: out of the pipe, into the room',
};
