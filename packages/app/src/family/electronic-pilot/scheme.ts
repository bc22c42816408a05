import type { Scheme } from '../scheme';

/** Valve with its electronics, the sensor behind its cock, the calibrator on its wires, the by-pass. */
export const electronicPilotScheme: Scheme = {
  high: 218,
  ways: [
    {
      through: [
        [6, 130],
        [334, 130],
      ],
    },
    {
      through: [
        [150, 64],
        [150, 118],
      ],
      kind: 'arm',
    },
    {
      through: [
        [296, 130],
        [296, 163],
      ],
    },
    {
      through: [
        [230, 130],
        [230, 50],
        [165, 50],
      ],
      kind: 'sense',
    },
    {
      through: [
        [196, 50],
        [196, 33],
      ],
      kind: 'sense',
    },
    {
      through: [
        [84, 50],
        [135, 50],
      ],
      kind: 'sense',
    },
    {
      through: [
        [30, 130],
        [30, 170],
        [206, 170],
        [206, 130],
      ],
    },
  ],
  parts: [
    { symbol: 'contact', at: [70, 50], name: 'Supply', fitting: 'power' },
    { symbol: 'converter', at: [150, 50], name: 'Set value', side: 'over', adjuster: 'main' },
    { symbol: 'gauge', at: [196, 22], name: 'Calibrator', side: 'right', gauge: 'inlet' },
    {
      symbol: 'cock',
      at: [230, 92],
      name: 'Sensor cock',
      side: 'right',
      fitting: 'isolating_cock',
    },
    { symbol: 'valve', at: [150, 130], name: 'Valve' },
    { symbol: 'gauge', at: [296, 174], name: 'Line gauge', side: 'left', gauge: 'outlet' },
    { symbol: 'cock', at: [110, 170], name: 'By-pass', fitting: 'bypass' },
  ],
};
