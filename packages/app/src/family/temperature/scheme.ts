import type { Scheme } from '../scheme';

/** Heat comes in above, through the valve into its coil; water is drawn through below, and a bulb feels it. */
export const temperatureScheme: Scheme = {
  high: 206,
  ways: [
    {
      through: [
        [6, 60],
        [150, 60],
        [150, 120],
      ],
      of: 'heating',
    },
    {
      through: [
        [6, 152],
        [334, 152],
      ],
    },
    {
      through: [
        [216, 152],
        [216, 118],
      ],
    },
    {
      through: [
        [100, 42],
        [100, 26],
        [264, 26],
        [264, 152],
      ],
      kind: 'sense',
    },
  ],
  parts: [
    { symbol: 'cock', at: [34, 60], name: 'Heating', fitting: 'heating' },
    { symbol: 'regulator', at: [100, 60], name: 'Setting screw', adjuster: 'main' },
    { symbol: 'coil', at: [150, 138], name: 'Exchanger', side: 'under' },
    { symbol: 'gauge', at: [216, 106], name: 'Thermometer', side: 'over', gauge: 'outlet' },
    { symbol: 'vessel', at: [264, 152], name: 'Bulb', side: 'under' },
    { symbol: 'throttle', at: [316, 152], name: 'Drawn', side: 'over', fitting: 'demand' },
  ],
};
