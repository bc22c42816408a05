import type { Scheme } from '../scheme';

/** Pilot gas: cock, regulator, manometer, orifice, burner with its spark and what sees its flame. */
export const burnerPilotScheme: Scheme = {
  high: 150,
  ways: [
    {
      through: [
        [4, 100],
        [262, 100],
      ],
    },
    {
      through: [
        [170, 100],
        [170, 64],
      ],
    },
    {
      through: [
        [236, 52],
        [256, 70],
      ],
      kind: 'sense',
    },
    {
      through: [
        [306, 52],
        [292, 70],
      ],
      kind: 'sense',
    },
  ],
  parts: [
    { symbol: 'cock', at: [40, 100], name: 'Pilot gas', fitting: 'gas' },
    { symbol: 'regulator', at: [108, 100], name: 'Regulator', adjuster: 'main' },
    { symbol: 'gauge', at: [170, 52], name: 'Manometer', side: 'over', gauge: 'outlet' },
    { symbol: 'orifice', at: [216, 100], name: 'Orifice' },
    { symbol: 'burner', at: [274, 92], name: 'Pilot burner' },
    { symbol: 'spark', at: [232, 40], name: 'Spark', side: 'over' },
    { symbol: 'eye', at: [312, 42], name: 'Flame signal', side: 'over' },
  ],
};
