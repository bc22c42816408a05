import { mainAdjuster } from '../../valve';
import type { FamilyFacts } from '../family';

export const burnerPilotFacts: FamilyFacts = {
  name: 'Pilot gas of a burner',
  holds: 'pilot gas',
  verb: 'light at',
  adjusters: [mainAdjuster('Pilot regulator', 'from_below', 'outlet')],
  gauges: { outlet: 'Manometer' },
  judge: 'outlet',
  licence: 'burner',
  duty: 'gas',
  tells: ['machine'],
  tools: [
    'adjuster_key',
    'lock_spanner',
    'manometer',
    'multimeter',
    'soap',
    'gas_detector',
    'lamp',
    'stopwatch',
    'seal_wire',
    'eyes',
    'notices',
  ],
};
