import { mainAdjuster } from '../../valve';
import type { FamilyFacts } from '../family';

export const gasFacts: FamilyFacts = {
  name: 'Gas pressure regulator',
  holds: 'holds, downstream',
  verb: 'reduce to',
  adjusters: [{ ...mainAdjuster('Pilot adjuster', 'from_below', 'outlet'), fluid: 'gas' }],
  gauges: { outlet: 'Low-range gauge' },
  judge: 'outlet',
  control: { rules: 'steady, a little flows', doesNot: 'steady, nothing flows' },
  wantsLowRange: true,
  licence: 'gas',
  duty: 'gas',
  tells: ['gas_users'],
  tools: [
    'adjuster_key',
    'lock_spanner',
    'manometer',
    'soap',
    'gas_detector',
    'lamp',
    'seal_wire',
    'gaskets',
    'notices',
  ],
};
