import type { Scheme } from '../scheme';

/** Heat comes in above, through the valve into its coil; water is drawn through below, and a bulb feels it. */
export const temperatureScheme: Scheme = {
  high: 206,
  ways: [
    {
      through: [
        [6, 60],
        [170, 60],
        [170, 120],
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
        [230, 152],
        [230, 118],
      ],
    },
    {
      through: [
        [108, 42],
        [108, 26],
        [276, 26],
        [276, 152],
      ],
      kind: 'sense',
    },
  ],
  parts: [
    { symbol: 'cock', at: [44, 60], name: 'Heating', fitting: 'heating' },
    { symbol: 'regulator', at: [108, 60], name: 'Setting screw', adjuster: 'main' },
    { symbol: 'coil', at: [170, 138], name: 'Exchanger', side: 'under' },
    { symbol: 'gauge', at: [230, 106], name: 'Thermometer', side: 'over', gauge: 'outlet' },
    { symbol: 'vessel', at: [276, 152], name: 'Bulb', side: 'under' },
    { symbol: 'throttle', at: [314, 152], name: 'Drawn', side: 'over', fitting: 'demand' },
  ],
};
