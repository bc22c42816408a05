import { furtherAdjuster, mainAdjuster } from '../../valve';
import type { FamilyFacts } from '../family';

export const controllerFacts: FamilyFacts = {
  name: 'Pneumatic controller',
  holds: 'set point',
  verb: 'control on',
  adjusters: [
    mainAdjuster('Zero screw', 'from_below', 'inlet'),
    furtherAdjuster('span', 'Span screw', 'inlet'),
    furtherAdjuster('angularity', 'Link length', 'inlet'),
    furtherAdjuster('alignment', 'Alignment', 'inlet'),
  ],
  gauges: { inlet: 'Calibrator', outlet: 'Output gauge' },
  judge: 'inlet',
  tells: ['control_room'],
  tools: ['fine_screwdriver', 'calibrator', 'hand_pump', 'gauge_fittings', 'stopwatch', 'notices'],
};
