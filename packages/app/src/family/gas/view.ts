import type { PlateOf } from '@holvek/core';
import type { FamilyView } from '../family-view';
import { gasScheme } from './scheme';

/** How it looks, and what only its plate says. */
export const gasView: FamilyView<PlateOf<'gas'>> = {
  glyph: { top: 'dome', senses: 'outlet' },
  scheme: gasScheme,
  cutaway: 'direct',
  rows: (plate) => [['Loaded by', plate.loading]],
  wideOpen: {
    title: 'Wide open: more is drawn than comes',
    say: 'Shut burners until only a small flow is left.',
  },
};
