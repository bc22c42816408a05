import type { PlateOf } from '@holvek/core';
import type { FamilyView } from '../family-view';
import { positionerScheme } from './scheme';

/** How it looks, and what only its plate says. */
export const positionerView: FamilyView<PlateOf<'positioner'>> = {
  glyph: { top: 'positioner' },
  scheme: positionerScheme,
  shows: 'strokes on',
};
