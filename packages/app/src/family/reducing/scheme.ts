import type { Scheme } from '../scheme';

/** Line with its isolators; the pilot feels the outlet and rules the chamber. */
export const reducingScheme: Scheme = {
  high: 218,
  ways: [
    {
      through: [
        [6, 140],
        [334, 140],
      ],
    },
    {
      through: [
        [124, 140],
        [124, 167],
      ],
    },
    {
      through: [
        [214, 140],
        [214, 167],
      ],
    },
    {
      through: [
        [124, 140],
        [124, 44],
        [157, 44],
      ],
    },
    {
      through: [
        [183, 44],
        [246, 44],
        [246, 140],
      ],
      kind: 'sense',
    },
    {
      through: [
        [170, 58],
        [170, 120],
      ],
    },
  ],
  parts: [
    {
      symbol: 'cock',
      at: [60, 140],
      name: 'Upstream isolator',
      side: 'over',
      fitting: 'inlet_isolator',
    },
    { symbol: 'gauge', at: [124, 178], name: 'Inlet gauge', gauge: 'inlet' },
    { symbol: 'pilot', at: [170, 44], name: 'Pilot adjuster', side: 'over', adjuster: 'main' },
    { symbol: 'selector', at: [170, 88], name: 'Selector', side: 'right', fitting: 'selector' },
    { symbol: 'regulator', at: [170, 140], name: 'Valve' },
    { symbol: 'gauge', at: [214, 178], name: 'Outlet gauge', gauge: 'outlet' },
    { symbol: 'cock', at: [282, 140], name: 'Downstream isolator', fitting: 'outlet_isolator' },
    { symbol: 'throttle', at: [322, 140], name: 'Outlets', side: 'over', fitting: 'demand' },
  ],
};
