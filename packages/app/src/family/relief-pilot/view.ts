import type { PlateOf } from '@holvek/core';
import type { FamilyView } from '../family-view';
import { reliefPilotScheme } from './scheme';

/** How it looks, and what only its plate says. */
export const reliefPilotView: FamilyView<PlateOf<'relief_pilot'>> = {
  glyph: { top: 'dome', senses: 'inlet', isRelief: true },
  scheme: reliefPilotScheme,
  cutaway: 'relief',
  rows: (plate, units) => [['Line works at', units.withUnit(plate.working_pa)]],
};
