import type { Scheme } from '../scheme';

/** The refrigerant’s round: coil, the control that rules its suction, compressor, condenser, expansion. */
export const suctionScheme: Scheme = {
  high: 206,
  ways: [
    {
      through: [
        [40, 150],
        [40, 170],
        [300, 170],
        [300, 44],
        [40, 44],
        [40, 130],
      ],
    },
    {
      through: [
        [100, 170],
        [100, 130],
      ],
    },
    {
      through: [
        [180, 170],
        [180, 118],
      ],
      kind: 'sense',
    },
    {
      through: [
        [180, 106],
        [236, 106],
        [236, 44],
      ],
      kind: 'sense',
    },
  ],
  parts: [
    { symbol: 'coil', at: [40, 138], name: 'Coil', side: 'under', fitting: 'load' },
    { symbol: 'gauge', at: [100, 118], name: 'Suction gauge', side: 'under', gauge: 'inlet' },
    { symbol: 'valve', at: [180, 170], name: 'Suction valve' },
    { symbol: 'regulator', at: [180, 106], name: 'Control', side: 'over', adjuster: 'main' },
    { symbol: 'cock', at: [236, 76], name: 'Its cock', side: 'right', fitting: 'control' },
    { symbol: 'compressor', at: [300, 112], name: 'Compressor', side: 'left', fitting: 'running' },
    { symbol: 'condenser', at: [160, 44], name: 'Condenser', side: 'over' },
    { symbol: 'vessel', at: [80, 44], name: 'Receiver', side: 'over' },
    { symbol: 'expansion', at: [40, 84], name: 'Expansion', side: 'right' },
  ],
};
