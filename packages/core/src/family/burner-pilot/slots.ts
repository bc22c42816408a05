import { lateSparkSeconds } from '../../valve';
import type { Slots } from '../slots';
import type { BurnerPlate } from './plate';

export const burnerPilotSlots: Slots<BurnerPlate> = {
  maker_range: ({ plate }, { pressure }) =>
    `${pressure(plate.maker_low_pa)} to ${pressure(plate.maker_high_pa)}`,
  late_spark: ({ plate, rules }) => `${lateSparkSeconds(plate, rules).toFixed(1)} s`,
};
