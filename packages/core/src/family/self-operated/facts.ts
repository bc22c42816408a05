import { mainAdjuster } from '../../valve';
import type { FamilyFacts } from '../family';

export const selfOperatedFacts: FamilyFacts = {
  name: 'Self-operated regulator',
  holds: 'holds',
  verb: 'hold',
  adjusters: [mainAdjuster('Adjusting screw', 'from_below', 'outlet')],
  gauges: { inlet: 'Inlet gauge', outlet: 'Outlet gauge' },
  judge: 'outlet',
  control: { rules: 'steady, a little flows', doesNot: 'steady, nothing flows' },
  tells: ['machine'],
  tools: [
    'lock_spanner',
    'adjuster_key',
    'gauge_fittings',
    'seal_wire',
    'eyes',
    'gloves',
    'notices',
  ],
};
