import type { PlateOf } from '@holvek/core';
import type { FamilyView } from '../family-view';
import { reducingScheme } from './scheme';

/** How it looks, and what only its plate says. */
export const reducingView: FamilyView<PlateOf<'reducing'>> = {
  glyph: { top: 'dome', senses: 'outlet' },
  scheme: reducingScheme,
  // An approved one has only what its approval names: it is bled by a fitting.
  lacks: ({ approval }) => (approval ? ['selector'] : []),
  cutaway: 'pilot',
  wideOpen: {
    title: 'Wide open: the main is still filling',
    say: 'Vent quiet, water going somewhere. Wait and watch it; don’t wind on.',
  },
};
