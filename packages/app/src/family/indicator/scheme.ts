import type { Scheme } from '../scheme';

/** Process, element, link, lever with its screws, pointer. */
export const indicatorScheme: Scheme = {
  high: 188,
  ways: [
    {
      through: [
        [4, 140],
        [84, 140],
      ],
    },
    {
      through: [
        [62, 140],
        [62, 74],
      ],
    },
    {
      through: [
        [100, 112],
        [100, 78],
        [130, 60],
      ],
      kind: 'arm',
    },
    {
      through: [
        [130, 60],
        [232, 60],
      ],
      kind: 'arm',
    },
    {
      through: [
        [232, 60],
        [280, 96],
      ],
      kind: 'arm',
    },
  ],
  parts: [
    { symbol: 'cock', at: [30, 140], name: 'Process', fitting: 'isolating_cock' },
    { symbol: 'gauge', at: [62, 62], name: 'Calibrator', side: 'over', gauge: 'inlet' },
    { symbol: 'bellows', at: [100, 130], name: 'Element', side: 'right' },
    { symbol: 'link', at: [116, 70], name: 'Link length', side: 'under', adjuster: 'angularity' },
    { symbol: 'pivot', at: [180, 60] },
    { symbol: 'screw', at: [206, 60], name: 'Span', side: 'over', adjuster: 'span' },
    { symbol: 'screw', at: [180, 84], name: 'Zero', adjuster: 'main' },
    { symbol: 'pointer', at: [284, 104], name: 'Pointer' },
  ],
};
