import { furtherAdjuster, mainAdjuster } from '../../valve';
import type { FamilyFacts } from '../family';

export const sustainingFacts: FamilyFacts = {
  name: 'Sustaining valve',
  holds: 'holds, upstream',
  verb: 'sustain',
  adjusters: [
    mainAdjuster('Sustaining adjuster', 'from_above', 'inlet'),
    furtherAdjuster('reducing', 'Reducing adjuster', 'outlet'),
  ],
  gauges: { inlet: 'Inlet gauge', outlet: 'Outlet gauge' },
  judge: 'inlet',
  control: { rules: 'steady, vent runs', doesNot: 'steady, vent dry' },
  lineDensity: 998.2,
  tells: ['control_room', 'users'],
  tools: [
    'adjuster_key',
    'lock_spanner',
    'gauge_fittings',
    'bucket',
    'seal_wire',
    'eyes',
    'notices',
  ],
};
