import { furtherAdjuster, mainAdjuster } from '../../valve';
import type { FamilyFacts } from '../family';

export const hydraulicFacts: FamilyFacts = {
  name: 'Hydraulic pressures',
  holds: 'main relief opens at',
  verb: 'main relief',
  adjusters: [
    mainAdjuster('Main relief', 'from_below', 'inlet'),
    furtherAdjuster('cross_a', 'Cross-port A', 'inlet'),
    furtherAdjuster('cross_b', 'Cross-port B', 'inlet'),
    furtherAdjuster('compensator', 'Compensator', 'inlet', 'from_above'),
  ],
  gauges: { inlet: 'Pump gauge' },
  judge: 'inlet',
  control: { rules: 'steady, oil passes', doesNot: 'steady, nothing passes' },
  lineDensity: 870,
  tells: ['machine'],
  tools: [
    'lock_spanner',
    'hex_keys',
    'hydraulic_hose',
    'thermometer',
    'stopwatch',
    'rags',
    'gaskets',
    'eyes',
    'gloves',
    'notices',
  ],
};
