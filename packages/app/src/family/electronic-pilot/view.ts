import type { PlateOf } from '@holvek/core';
import type { FamilyView } from '../family-view';
import { electronicPilotScheme } from './scheme';

/** How it looks, and what only its plate says. */
export const electronicPilotView: FamilyView<PlateOf<'electronic_pilot'>> = {
  glyph: { top: 'electronics', senses: 'outlet' },
  scheme: electronicPilotScheme,
  cutaway: 'pilot',
  rows: (plate, units) => [
    ['Application', plate.application.replace('_', ' ')],
    [
      'Sensor',
      `${units.figure(plate.input.low)} to ${units.withUnit(plate.input.high)} as 4 to 20 mA`,
    ],
    ['Valve and trim', plate.trim],
    ['Tuned for', plate.tuned_trim ?? 'never tuned'],
    ['Stroke', `${plate.stroke_counts} counts, ${plate.stroke_s} s`],
  ],
};
