import { furtherAdjuster, mainAdjuster } from '../../valve';
import type { FamilyFacts } from '../family';

export const indicatorFacts: FamilyFacts = {
  name: 'Pneumatic indicator',
  holds: 'mid-scale',
  verb: 'show',
  adjusters: [
    mainAdjuster('Zero screw', 'from_below', 'inlet'),
    furtherAdjuster('span', 'Span screw', 'inlet'),
    furtherAdjuster('angularity', 'Link length', 'inlet'),
  ],
  gauges: { inlet: 'Calibrator' },
  judge: 'inlet',
  tells: ['control_room'],
  tools: ['fine_screwdriver', 'calibrator', 'hand_pump', 'gauge_fittings', 'notices'],
};
