import type { Scheme } from '../scheme';

/** Signal and air in, nozzle and relay, actuator with its stem, and the arm that tells where it is. */
export const positionerScheme: Scheme = {
  high: 206,
  ways: [
    {
      through: [
        [30, 56],
        [96, 56],
      ],
      kind: 'sense',
    },
    {
      through: [
        [4, 150],
        [116, 150],
        [116, 112],
      ],
    },
    {
      through: [
        [74, 150],
        [74, 132],
      ],
    },
    {
      through: [
        [148, 76],
        [268, 76],
        [268, 58],
      ],
    },
    {
      through: [
        [268, 58],
        [268, 176],
      ],
      kind: 'arm',
    },
    {
      through: [
        [268, 118],
        [150, 118],
        [132, 100],
      ],
      kind: 'arm',
    },
    {
      through: [
        [220, 180],
        [320, 180],
      ],
    },
  ],
  parts: [
    {
      symbol: 'converter',
      at: [30, 56],
      name: 'Signal',
      side: 'over',
      fitting: 'signal',
      gauge: 'inlet',
    },
    { symbol: 'cock', at: [30, 150], name: 'Air supply', fitting: 'supply' },
    { symbol: 'gauge', at: [74, 120], name: 'Supply', side: 'over', gauge: 'outlet' },
    { symbol: 'nozzle', at: [122, 70], name: 'Nozzle', side: 'over' },
    { symbol: 'screw', at: [122, 100], name: 'Zero', side: 'right', adjuster: 'main' },
    { symbol: 'screw', at: [196, 118], name: 'Span', adjuster: 'span' },
    { symbol: 'pivot', at: [150, 118] },
    { symbol: 'actuator', at: [268, 44], name: 'Actuator', side: 'over' },
    { symbol: 'valve', at: [268, 180], name: 'Valve', side: 'right' },
  ],
};
