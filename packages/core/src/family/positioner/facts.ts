import { furtherAdjuster, mainAdjuster } from '../../valve';
import type { FamilyFacts } from '../family';

export const positionerFacts: FamilyFacts = {
  name: 'Positioner',
  holds: 'air supply',
  verb: 'stroke on',
  adjusters: [
    mainAdjuster('Zero screw', 'from_below', 'outlet'),
    furtherAdjuster('span', 'Span screw', 'outlet'),
  ],
  gauges: { inlet: 'Calibrator', outlet: 'Supply gauge' },
  judge: 'outlet',
  tells: ['control_room'],
  tools: [
    'fine_screwdriver',
    'lock_spanner',
    'signal_source',
    'gauge_fittings',
    'square_and_rule',
    'multimeter',
    'eyes',
    'notices',
  ],
};
