import type { PlateOf } from '@holvek/core';
import type { FamilyView } from '../family-view';
import { temperatureScheme } from './scheme';

/** How it looks, and what only its plate says. */
export const temperatureView: FamilyView<PlateOf<'temperature'>> = {
  glyph: { top: 'spring', senses: 'outlet' },
  scheme: temperatureScheme,
  rows: ({ heated_by: by, cut_out: at }, { withUnit }) => [
    ['Heated by', by.replace('_', ' ')],
    ['Cut-out of its own', at === undefined ? 'none' : withUnit(at)],
  ],
  wideOpen: {
    title: 'Wide open: what heats it gives no more',
    say: 'Draw less, or see to the heat first. Don’t wind on.',
  },
};
