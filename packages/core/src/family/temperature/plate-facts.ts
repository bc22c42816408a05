import { choiceOf, type PlateFact } from '../../valve';

/** What only this family's plate says. */
export const temperaturePlateFacts: readonly PlateFact[] = [
  {
    path: 'heated_by',
    label: 'Heated by',
    ...choiceOf({ hot_water: 'hot water', steam: 'steam', oil: 'hot oil' }),
  },
  {
    path: 'cut_out',
    label: 'A cut-out of its own shuts the heat off at',
    kind: 'pressure',
    why: 'It protects who stands at the tap while this one is being set.',
    optional: true,
  },
];

/** Ratings and falls of other plates are temperatures here. */
export const temperaturePlateSays: Readonly<Record<string, Pick<PlateFact, 'label' | 'why'>>> = {
  'plate.inlet_rating_pa': {
    label: 'Heating side bears',
    why: 'The hottest that what heats it may come.',
  },
  'plate.outlet_rating_pa': {
    label: 'Heated side and bulb bear',
    why: 'Nothing is ever set past it: the bulb bursts, plastic pipe softens.',
  },
  'plate.min_differential_pa': {
    label: 'What heats it is hotter by at least',
    why: 'With less it stands wide open and never gets there.',
  },
  'target.limit_pa': {
    label: 'Never past',
    why: 'What scalds at the tap, what the pipe bears, or the site’s own figure.',
  },
};
