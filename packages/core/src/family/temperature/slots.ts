import type { Slots } from '../slots';
import type { TemperaturePlate } from './plate';

const said = { hot_water: 'hot water', steam: 'steam', oil: 'hot oil' } as const;

export const temperatureSlots: Slots<TemperaturePlate> = {
  heated_by: ({ plate }) => said[plate.heated_by],
  cut_out: ({ plate }, { pressure }) =>
    plate.cut_out === undefined ? 'no cut-out' : pressure(plate.cut_out),
};
