import type { PlateOf } from '@holvek/core';
import type { FamilyView } from '../family-view';
import { pressureSwitchScheme } from './scheme';

/** How it looks, and what only its plate says. */
export const pressureSwitchView: FamilyView<PlateOf<'pressure_switch'>> = {
  glyph: 'pointer',
  scheme: pressureSwitchScheme,
};
