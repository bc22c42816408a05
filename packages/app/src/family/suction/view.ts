import type { PlateOf } from '@holvek/core';
import type { FamilyView } from '../family-view';
import { suctionScheme } from './scheme';

/** How it looks, and what only its plate says. */
export const suctionView: FamilyView<PlateOf<'suction'>> = {
  glyph: { top: 'dome', senses: 'inlet' },
  scheme: suctionScheme,
};
