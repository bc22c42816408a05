import { mainAdjuster } from '../../valve';
import type { FamilyFacts } from '../family';

export const suctionFacts: FamilyFacts = {
  name: 'Suction-pressure control',
  holds: 'holds suction at',
  verb: 'hold suction at',
  adjusters: [mainAdjuster('Control adjuster', 'from_below', 'inlet')],
  gauges: { inlet: 'Suction gauge' },
  judge: 'inlet',
  control: { rules: 'steady, its gas line warm', doesNot: 'steady, its gas line cold' },
  licence: 'refrigerant',
  duty: 'comfort',
  tells: ['cold_room'],
  tools: [
    'adjuster_key',
    'lock_spanner',
    'refrigerant_hoses',
    'gas_detector',
    'thermometer',
    'eyes',
    'gloves',
    'notices',
  ],
};
