import type { Scheme } from '../scheme';

/** Gas line: inlet cock, regulator with what it feels, low-range gauge, what draws. */
export const gasScheme: Scheme = {
  high: 158,
  ways: [
    {
      through: [
        [6, 110],
        [334, 110],
      ],
    },
    {
      through: [
        [220, 110],
        [220, 77],
      ],
    },
    {
      through: [
        [150, 92],
        [150, 70],
        [186, 70],
        [186, 110],
      ],
      kind: 'sense',
    },
  ],
  parts: [
    { symbol: 'cock', at: [60, 110], name: 'Inlet cock', fitting: 'inlet_cock' },
    { symbol: 'regulator', at: [150, 110], name: 'Pilot adjuster', adjuster: 'main' },
    { symbol: 'gauge', at: [220, 66], name: 'Low-range gauge', side: 'over', gauge: 'outlet' },
    { symbol: 'throttle', at: [290, 110], name: 'Downstream', fitting: 'demand' },
  ],
};
