import { mainAdjuster } from '../../valve';
import type { FamilyFacts } from '../family';

export const electronicPilotFacts: FamilyFacts = {
  name: 'Electronic pilot with actuator',
  holds: 'holds',
  verb: 'hold',
  adjusters: [mainAdjuster('Set value', 'from_below', 'outlet')],
  gauges: { inlet: 'Calibrator', outlet: 'Line gauge' },
  judge: 'outlet',
  lineDensity: 998.2,
  licence: 'electrical',
  tells: ['control_room', 'users'],
  tools: [
    'pilot_reader',
    'multimeter',
    'fine_screwdriver',
    'lock_spanner',
    'gauge_fittings',
    'blanking_plugs',
    'eyes',
    'notices',
  ],
};
