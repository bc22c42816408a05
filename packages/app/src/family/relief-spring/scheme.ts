import type { Scheme } from '../scheme';

/** Machine, its relief on the line, the gauge before it, the throttle that makes the pressure. */
export const reliefSpringScheme: Scheme = {
  high: 164,
  ways: [
    {
      through: [
        [50, 120],
        [334, 120],
      ],
    },
    {
      through: [
        [190, 120],
        [190, 94],
      ],
    },
    {
      through: [
        [112, 120],
        [112, 91],
      ],
    },
  ],
  parts: [
    { symbol: 'compressor', at: [40, 120], name: 'Machine', fitting: 'machine' },
    { symbol: 'gauge', at: [112, 80], name: 'Machine gauge', side: 'over', gauge: 'inlet' },
    { symbol: 'relief', at: [190, 84], name: 'Spring cover', side: 'right', adjuster: 'main' },
    { symbol: 'throttle', at: [290, 120], name: 'Throttle', fitting: 'throttle' },
  ],
};
