import { mainAdjuster } from '../../valve';
import type { FamilyFacts } from '../family';

export const reliefSpringFacts: FamilyFacts = {
  name: 'Spring-loaded relief valve',
  holds: 'opens at',
  verb: 'open at',
  adjusters: [mainAdjuster('Spring cover', 'from_below', 'inlet')],
  gauges: { inlet: 'Machine gauge' },
  judge: 'inlet',
  control: { rules: 'it blows, needle steady', doesNot: 'it stays shut' },
  licence: 'pressure_safety',
  duty: 'safety',
  tells: ['machine'],
  tools: [
    'lock_spanner',
    'gauge_fittings',
    'gaskets',
    'seal_wire',
    'hearing',
    'eyes',
    'gloves',
    'notices',
  ],
};
