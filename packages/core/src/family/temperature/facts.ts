import { mainAdjuster } from '../../valve';
import type { FamilyFacts } from '../family';

export const temperatureFacts: FamilyFacts = {
  name: 'Temperature regulator',
  holds: 'holds',
  verb: 'hold',
  adjusters: [mainAdjuster('Setting screw', 'from_below', 'outlet')],
  gauges: { outlet: 'Thermometer' },
  judge: 'outlet',
  measures: 'temperature',
  control: { rules: 'steady, heating pipe neither hot nor cold', doesNot: 'heating pipe hot' },
  lineDensity: 0,
  duty: 'comfort',
  tells: ['users'],
  tools: [
    'adjuster_key',
    'lock_spanner',
    'thermometer',
    'stopwatch',
    'bucket',
    'seal_wire',
    'gloves',
    'eyes',
    'notices',
  ],
};
