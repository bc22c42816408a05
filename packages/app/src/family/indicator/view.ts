import type { PlateOf } from '@holvek/core';
import type { FamilyView } from '../family-view';
import { indicatorScheme } from './scheme';

/** How it looks, and what only its plate says. */
export const indicatorView: FamilyView<PlateOf<'indicator'>> = {
  glyph: 'pointer',
  scheme: indicatorScheme,
};
