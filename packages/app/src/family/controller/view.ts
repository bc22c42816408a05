import type { PlateOf } from '@holvek/core';
import type { FamilyView } from '../family-view';
import { controllerScheme } from './scheme';

/** How it looks, and what only its plate says. */
export const controllerView: FamilyView<PlateOf<'controller'>> = {
  glyph: 'pointer',
  scheme: controllerScheme,
};
