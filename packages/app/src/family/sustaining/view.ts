import type { PlateOf } from '@holvek/core';
import type { FamilyView } from '../family-view';
import { sustainingScheme } from './scheme';

/** How it looks, and what only its plate says. */
export const sustainingView: FamilyView<PlateOf<'sustaining'>> = {
  glyph: { top: 'dome', senses: 'inlet' },
  scheme: sustainingScheme,
  rows: (plate, units) => [
    ['Pump in normal running', units.withUnit(plate.pump_running_pa)],
    ['Cavitates below', units.withUnit(plate.cavitation_pa)],
  ],
  wideOpen: {
    title: 'Wide open: demand is weaker than supply',
    say: 'There is nothing to sustain. Open more outlets, then read again.',
  },
};
