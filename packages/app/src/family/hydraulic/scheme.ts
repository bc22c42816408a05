import type { Scheme } from '../scheme';

/** Pump with its compensator, main relief, directional valve, cross-port reliefs, motor, tank. */
export const hydraulicScheme: Scheme = {
  high: 226,
  ways: [
    {
      through: [
        [52, 196],
        [52, 56],
        [126, 56],
      ],
    },
    {
      through: [
        [102, 56],
        [102, 196],
      ],
    },
    {
      through: [
        [52, 196],
        [190, 196],
        [190, 70],
      ],
    },
    {
      through: [
        [204, 48],
        [320, 48],
        [320, 90],
        [320, 132],
        [204, 132],
        [204, 70],
      ],
    },
    {
      through: [
        [232, 48],
        [232, 132],
      ],
    },
    {
      through: [
        [264, 48],
        [264, 132],
      ],
    },
    {
      through: [
        [68, 56],
        [68, 34],
      ],
    },
    {
      through: [
        [52, 140],
        [34, 140],
      ],
      kind: 'sense',
    },
  ],
  parts: [
    { symbol: 'tank', at: [120, 204], name: 'Tank', side: 'right' },
    { symbol: 'pump', at: [52, 140], name: 'Pump', side: 'right' },
    { symbol: 'compensator', at: [26, 140], name: 'Compensator', adjuster: 'compensator' },
    { symbol: 'relief', at: [102, 122], name: 'Main relief', side: 'right', adjuster: 'main' },
    { symbol: 'gauge', at: [68, 22], name: 'Pump gauge', side: 'right', gauge: 'inlet' },
    {
      symbol: 'directional',
      at: [165, 58],
      name: 'Directional',
      side: 'under',
      fitting: 'directional',
    },
    { symbol: 'relief', at: [232, 90], name: 'A', side: 'left', adjuster: 'cross_a' },
    { symbol: 'relief', at: [264, 90], name: 'B', side: 'left', adjuster: 'cross_b' },
    { symbol: 'cock', at: [292, 48], name: 'Actuator', side: 'over', fitting: 'actuator' },
    { symbol: 'motor', at: [320, 90], name: 'Motor' },
  ],
};
