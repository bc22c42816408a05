import type { PlateOf } from '@holvek/core';
import type { FamilyView } from '../family-view';
import { hydraulicScheme } from './scheme';

/** How it looks, and what only its plate says. */
export const hydraulicView: FamilyView<PlateOf<'hydraulic'>> = {
  glyph: { top: 'dome', senses: 'both' },
  scheme: hydraulicScheme,
  rows: (plate, units) => [['Heaviest load', units.withUnit(plate.heaviest_load_pa)]],
};
