import { choiceOf, type PlateFact } from '../../valve';

/** What only this family's plate says. */
export const springReliefPlateFacts: readonly PlateFact[] = [
  { path: 'service', label: 'Relieves', ...choiceOf({ pressure: 'pressure', vacuum: 'vacuum' }) },
  {
    path: 'machine_max_pa',
    label: 'Most that the machine may see',
    kind: 'pressure',
    why: 'By its plate, in standard air; below the air outside for a vacuum.',
  },
  { path: 'altitude_m', label: 'Altitude', kind: 'figure', unit: 'm', factor: 1, ordinary: '0' },
  {
    path: 'air_k',
    label: 'Warmest air drawn in',
    kind: 'figure',
    unit: '°C',
    factor: 1,
    offset: 273.15,
    ordinary: '20',
  },
  {
    path: 'maker_max_pa',
    label: "Maker's own figure for this place",
    kind: 'pressure',
    optional: true,
  },
];
