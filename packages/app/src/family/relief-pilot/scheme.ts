import type { Scheme } from '../scheme';

/** Line, isolator, valve with its chamber; the pilot feels the line through its sensing cock and empties the chamber. */
export const reliefPilotScheme: Scheme = {
  high: 226,
  ways: [
    {
      through: [
        [6, 150],
        [334, 150],
      ],
    },
    {
      through: [
        [160, 150],
        [160, 177],
      ],
    },
    {
      through: [
        [160, 150],
        [160, 40],
        [202, 40],
      ],
      kind: 'sense',
    },
    {
      through: [
        [228, 40],
        [284, 40],
        [284, 150],
      ],
    },
    {
      through: [
        [215, 54],
        [215, 130],
      ],
    },
  ],
  parts: [
    { symbol: 'pump', at: [36, 150], name: 'Line', fitting: 'line' },
    {
      symbol: 'cock',
      at: [104, 150],
      name: 'Inlet isolator',
      side: 'over',
      fitting: 'inlet_isolator',
    },
    { symbol: 'gauge', at: [160, 188], name: 'Line gauge', gauge: 'inlet' },
    {
      symbol: 'cock',
      at: [160, 88],
      name: 'Pilot sensing cock',
      side: 'left',
      fitting: 'sensing_cock',
    },
    { symbol: 'pilot', at: [215, 40], name: 'Pilot adjuster', side: 'over', adjuster: 'main' },
    { symbol: 'regulator', at: [215, 150], name: 'Valve' },
    { symbol: 'cock', at: [284, 92], name: 'Chamber outlet cock', fitting: 'outlet_cock' },
  ],
};
