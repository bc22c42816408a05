import type { Scheme } from '../scheme';

/** What is heated or pumped, what is drawn from it, the gauge, and the switch with its two screws. */
export const pressureSwitchScheme: Scheme = {
  high: 188,
  ways: [
    {
      through: [
        [60, 92],
        [60, 60],
        [210, 60],
      ],
    },
    {
      through: [
        [112, 60],
        [112, 42],
      ],
    },
    {
      through: [
        [84, 112],
        [170, 112],
      ],
    },
    {
      through: [
        [226, 60],
        [290, 60],
      ],
      kind: 'arm',
    },
  ],
  parts: [
    { symbol: 'burner', at: [60, 140], name: 'Heat or pump', fitting: 'heat' },
    { symbol: 'vessel', at: [60, 104] },
    { symbol: 'gauge', at: [112, 30], name: 'Gauge', side: 'right', gauge: 'inlet' },
    { symbol: 'throttle', at: [140, 112], name: 'Drawn', fitting: 'demand' },
    { symbol: 'bellows', at: [210, 60] },
    { symbol: 'screw', at: [244, 60], name: 'Scale', side: 'over', adjuster: 'main' },
    { symbol: 'screw', at: [244, 92], name: 'Differential', adjuster: 'differential' },
    { symbol: 'contact', at: [300, 60], name: 'Contact', side: 'over' },
  ],
};
