import type { PlateOf } from '@holvek/core';
import type { FamilyView } from '../family-view';

/** How it looks, and what only its plate says. */
export const reducingView: FamilyView<PlateOf<'reducing'>> = {
  glyph: { top: 'dome', senses: 'outlet' },
  cutaway: 'pilot',
  wideOpen: {
    title: 'Wide open: the main is still filling',
    say: 'Vent quiet, water going somewhere. Wait and watch it; don’t wind on.',
  },
};
