import type { Scheme } from '../scheme';

/** Process, element, link and lever to the pen; flapper and nozzle make the output. */
export const controllerScheme: Scheme = {
  high: 196,
  ways: [
    {
      through: [
        [4, 150],
        [84, 150],
      ],
    },
    {
      through: [
        [62, 150],
        [62, 74],
      ],
    },
    {
      through: [
        [100, 122],
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
        [280, 92],
      ],
      kind: 'arm',
    },
    {
      through: [
        [206, 60],
        [206, 142],
      ],
      kind: 'arm',
    },
    {
      through: [
        [206, 152],
        [330, 152],
      ],
    },
    {
      through: [
        [262, 152],
        [262, 142],
      ],
    },
  ],
  parts: [
    { symbol: 'cock', at: [30, 150], name: 'Process', fitting: 'isolating_cock' },
    { symbol: 'gauge', at: [62, 62], name: 'Calibrator', side: 'over', gauge: 'inlet' },
    { symbol: 'bellows', at: [100, 140], name: 'Bellows', side: 'right' },
    { symbol: 'link', at: [116, 70], name: 'Link length', side: 'under', adjuster: 'angularity' },
    { symbol: 'pivot', at: [170, 60] },
    { symbol: 'screw', at: [232, 60], name: 'Span', side: 'over', adjuster: 'span' },
    { symbol: 'screw', at: [170, 84], name: 'Zero', adjuster: 'main' },
    { symbol: 'pointer', at: [284, 88], name: 'Pen', side: 'over' },
    { symbol: 'nozzle', at: [206, 148], name: 'Nozzle' },
    { symbol: 'screw', at: [206, 112], name: 'Alignment', side: 'right', adjuster: 'alignment' },
    { symbol: 'gauge', at: [262, 140], name: 'Output', side: 'right', gauge: 'outlet' },
  ],
};
