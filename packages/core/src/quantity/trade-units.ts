/** Units in which the trade reads pressures, the commonest first. */
export const pressureUnits = [
  'kPa',
  'bar',
  'mbar',
  'psi',
  'MPa',
  'Pa',
  'kgf/cm2',
  'mH2O',
  'ftH2O',
  'inH2O',
  'mmH2O',
  'inHg',
  'mmHg',
] as const;
export type PressureUnit = (typeof pressureUnits)[number];

/** Units in which the trade reads flows; the last is gas at standard conditions. */
export const flowUnits = ['L/s', 'L/min', 'm3/h', 'gpm', 'scfh'] as const;
export type FlowUnit = (typeof flowUnits)[number];
