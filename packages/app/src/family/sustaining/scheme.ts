import type { Scheme } from '../scheme';

/** Pump, valve, outlets; one pilot feels the inlet and sustains it, the other the outlet and reduces it. */
export const sustainingScheme: Scheme = {
  high: 218,
  ways: [
    {
      through: [
        [40, 140],
        [334, 140],
      ],
    },
    {
      through: [
        [84, 140],
        [84, 167],
      ],
    },
    {
      through: [
        [262, 140],
        [262, 167],
      ],
    },
    {
      through: [
        [84, 140],
        [84, 44],
        [99, 44],
      ],
      kind: 'sense',
    },
    {
      through: [
        [247, 44],
        [270, 44],
        [270, 140],
      ],
      kind: 'sense',
      of: 'reducing',
    },
    {
      through: [
        [112, 58],
        [112, 68],
        [170, 68],
      ],
    },
    {
      through: [
        [170, 68],
        [234, 68],
        [234, 58],
      ],
      of: 'reducing',
    },
    {
      through: [
        [170, 68],
        [170, 120],
      ],
    },
  ],
  parts: [
    { symbol: 'pump', at: [34, 140], name: 'Pump', fitting: 'pump' },
    { symbol: 'gauge', at: [84, 178], name: 'Inlet gauge', gauge: 'inlet' },
    { symbol: 'pilot', at: [112, 44], name: 'Sustaining adjuster', side: 'over', adjuster: 'main' },
    {
      symbol: 'pilot',
      at: [234, 44],
      name: 'Reducing adjuster',
      side: 'over',
      adjuster: 'reducing',
    },
    { symbol: 'selector', at: [170, 94], name: 'Selector', side: 'right', fitting: 'selector' },
    { symbol: 'regulator', at: [170, 140], name: 'Valve' },
    { symbol: 'gauge', at: [262, 178], name: 'Outlet gauge', gauge: 'outlet' },
    { symbol: 'throttle', at: [314, 140], name: 'Outlets', fitting: 'demand' },
  ],
};
