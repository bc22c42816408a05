import type { Slots } from '../slots';
import type { GasPlate } from './plate';

/** A regulator that is loaded by a pilot and one that is loaded by its own spring, each in its words. */
export const gasSlots: Slots<GasPlate> = {
  gas_adjuster: ({ plate }) => (plate.loading === 'pilot' ? 'pilot' : 'adjuster'),
  gas_answers: ({ plate }) =>
    plate.loading === 'pilot'
      ? 'It answers slowly: the pilot is restricted. Wait until it has settled.'
      : 'It answers at once, and stands a little lower the more flows.',
};
