import { furtherAdjuster, mainAdjuster } from '../../valve';
import type { FamilyFacts } from '../family';

export const pressureSwitchFacts: FamilyFacts = {
  name: 'On-off pressure switch',
  holds: 'scale at',
  verb: 'switch at',
  adjusters: [
    mainAdjuster('Scale screw', 'from_below', 'inlet'),
    furtherAdjuster('differential', 'Differential screw', 'inlet'),
  ],
  gauges: { inlet: 'Gauge at the switch' },
  judge: 'inlet',
  tells: ['control_room'],
  tools: ['adjuster_key', 'hand_pump', 'gauge_fittings', 'multimeter', 'seal_wire', 'notices'],
};
