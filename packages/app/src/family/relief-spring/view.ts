import type { PlateOf } from '@holvek/core';
import type { FamilyView } from '../family-view';
import { reliefSpringScheme } from './scheme';

/** How it looks, and what only its plate says. */
export const reliefSpringView: FamilyView<PlateOf<'relief_spring'>> = {
  glyph: { top: 'spring', senses: 'inlet', isRelief: true },
  scheme: reliefSpringScheme,
  cutaway: 'relief',
  rows: (plate, units) => [
    ['Service', plate.service],
    ['Machine, standard air', units.withUnit(plate.machine_max_pa)],
    ['Altitude', `${plate.altitude_m} m`],
  ],
  namesSpring: true,
};
