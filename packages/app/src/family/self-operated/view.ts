import type { PlateOf, Arrangement } from '@holvek/core';
import type { FamilyView } from '../family-view';
import { selfOperatedScheme } from './scheme';

/** How it looks, and what only its plate says. */
export const selfOperatedView: FamilyView<PlateOf<'self_operated'>> = {
  glyph: { top: 'spring', senses: 'outlet' },
  scheme: selfOperatedScheme,
  lacks: ({ arrangement: { control_line: line, bypass, loading } }) => [
    ...(line ? [] : ['control_line']),
    ...(bypass ? [] : ['by_pass']),
    ...(loading === 'spring' ? ['loading'] : []),
  ],
  cutaway: 'direct',
  rows: ({ arrangement }) => [
    ['Service', arrangement.service.replace('_', ' ')],
    ['Piped with', pipedWith(arrangement)],
  ],
};

const pipedWith = ({ control_line: line, bypass, loading }: Arrangement): string =>
  [
    line ? 'control line' : '',
    bypass ? 'by-pass' : '',
    loading === 'spring' ? 'spring' : `loading, ${loading.replace('_', ' ')}`,
  ]
    .filter(Boolean)
    .join(', ');
