import { mainAdjuster } from '../../valve';
import type { FamilyFacts } from '../family';

export const reducingFacts: FamilyFacts = {
  name: 'Pilot-operated reducing valve',
  holds: 'holds, downstream',
  verb: 'reduce to',
  adjusters: [mainAdjuster('Pilot adjuster', 'from_below', 'outlet')],
  gauges: { inlet: 'Inlet gauge', outlet: 'Outlet gauge' },
  judge: 'outlet',
  control: { rules: 'steady, vent runs', doesNot: 'steady, vent dry' },
  lineDensity: 998.2,
  tells: ['users'],
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
