import type { Scheme } from '../scheme';

/** Blocks and bleeds before and after, the by-pass round, what loads it and what it feels. */
export const selfOperatedScheme: Scheme = {
  high: 206,
  ways: [
    {
      through: [
        [6, 120],
        [334, 120],
      ],
    },
    {
      through: [
        [14, 120],
        [14, 38],
        [326, 38],
        [326, 120],
      ],
      of: 'by_pass',
    },
    {
      through: [
        [30, 120],
        [30, 153],
      ],
    },
    {
      through: [
        [308, 120],
        [308, 153],
      ],
    },
    {
      through: [
        [110, 120],
        [110, 150],
      ],
    },
    {
      through: [
        [230, 120],
        [230, 150],
      ],
    },
    {
      through: [
        [170, 76],
        [240, 76],
        [240, 120],
      ],
      kind: 'sense',
      of: 'control_line',
    },
    {
      through: [
        [100, 76],
        [170, 76],
      ],
      kind: 'sense',
      of: 'loading',
    },
    {
      through: [
        [170, 76],
        [170, 100],
      ],
      kind: 'sense',
    },
  ],
  parts: [
    { symbol: 'gauge', at: [30, 164], name: 'Inlet gauge', gauge: 'inlet' },
    { symbol: 'cock', at: [60, 120], name: 'Inlet block', side: 'over', fitting: 'inlet_block' },
    { symbol: 'cock', at: [110, 158], name: 'Inlet bleed', fitting: 'inlet_bleed' },
    { symbol: 'cock', at: [250, 38], name: 'By-pass', side: 'right', fitting: 'by_pass' },
    { symbol: 'cock', at: [116, 76], name: 'Loading supply', side: 'over', fitting: 'loading' },
    { symbol: 'regulator', at: [170, 120], name: 'Adjusting screw', adjuster: 'main' },
    { symbol: 'cock', at: [216, 76], name: 'Control line', side: 'over', fitting: 'control_line' },
    { symbol: 'cock', at: [230, 158], name: 'Outlet bleed', fitting: 'outlet_bleed' },
    { symbol: 'cock', at: [280, 120], name: 'Outlet block', side: 'over', fitting: 'outlet_block' },
    { symbol: 'gauge', at: [308, 164], name: 'Outlet gauge', gauge: 'outlet' },
  ],
};
