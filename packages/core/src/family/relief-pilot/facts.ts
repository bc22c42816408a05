import { mainAdjuster } from '../../valve';
import type { FamilyFacts } from '../family';

export const reliefPilotFacts: FamilyFacts = {
  name: 'Pilot-operated relief valve',
  holds: 'cracks at',
  verb: 'crack at',
  adjusters: [mainAdjuster('Pilot adjuster', 'from_above', 'inlet')],
  gauges: { inlet: 'Line gauge' },
  judge: 'inlet',
  lineDensity: 998.2,
  licence: 'pressure_safety',
  duty: 'safety',
  tells: ['control_room'],
  tools: [
    'adjuster_key',
    'lock_spanner',
    'gauge_fittings',
    'discharge_hose',
    'seal_wire',
    'hearing',
    'eyes',
    'notices',
  ],
};
