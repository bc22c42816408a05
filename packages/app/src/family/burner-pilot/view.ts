import type { PlateOf } from '@holvek/core';
import type { FamilyView } from '../family-view';
import { burnerPilotScheme } from './scheme';

/** How it looks, and what only its plate says. */
export const burnerPilotView: FamilyView<PlateOf<'burner_pilot'>> = {
  glyph: { top: 'dome', senses: 'outlet' },
  scheme: burnerPilotScheme,
  cutaway: 'direct',
};
