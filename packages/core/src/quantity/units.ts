/** Exact constants (SI brochure, international yard and pound); densities from standard tables. */
const G = 9.80665;
const INCH = 0.0254;
const POUND = 0.45359237;
const US_GALLON = 231 * INCH ** 3;
const CUBIC_FOOT = (12 * INCH) ** 3;
const WATER_4C = 999.972;
const WATER_20C = 998.207;
const MERCURY_0C = 13595.1;
const ICE = 273.15;

export type QuantityKind =
  | 'pressure'
  | 'flow'
  | 'turns'
  | 'current'
  | 'voltage'
  | 'length'
  | 'temperature'
  | 'time'
  | 'fraction';

/**
 * value_SI = value × factor + offset. Pressures count from the air outside, temperatures from melting ice, so that
 * what stands on a face and a difference are the same figure. `spoken` are the other
 * spellings people type, lower case.
 */
export type UnitRow = {
  readonly symbol: string;
  readonly kind: QuantityKind;
  readonly factor: number;
  readonly offset?: number;
  readonly from: string;
  readonly spoken?: readonly string[];
};

/** A column so many metres high of what weighs so many kg/m³. */
const column = (
  symbol: string,
  [metres, density]: readonly [metres: number, density: number],
  from: string,
  spoken: string[] = [],
) => ({ symbol, kind: 'pressure', factor: metres * density * G, from, spoken }) as const;

export const units: readonly UnitRow[] = [
  { symbol: 'Pa', kind: 'pressure', factor: 1, from: 'SI' },
  { symbol: 'hPa', kind: 'pressure', factor: 100, from: 'SI' },
  { symbol: 'mbar', kind: 'pressure', factor: 100, from: 'bar / 1000', spoken: ['millibar', 'mb'] },
  { symbol: 'kPa', kind: 'pressure', factor: 1e3, from: 'SI' },
  { symbol: 'MPa', kind: 'pressure', factor: 1e6, from: 'SI' },
  { symbol: 'bar', kind: 'pressure', factor: 1e5, from: 'exact' },
  {
    symbol: 'psi',
    kind: 'pressure',
    factor: (POUND * G) / INCH ** 2,
    from: 'pound-force per square inch',
    spoken: ['lb/in2', 'lbf/in2', 'lb/sqin', 'lbf/sqin', 'lbs', 'pounds'],
  },
  column('inH2O', [INCH, WATER_4C], 'inch of water at 4 °C', [
    'inwc',
    'inwg',
    '"wc',
    '"wg',
    '"h2o',
  ]),
  column('inH2O20', [INCH, WATER_20C], 'inch of water at 20 °C', ['inh2o@20c']),
  column('mmH2O', [1e-3, WATER_4C], 'millimetre of water at 4 °C', ['mmwc', 'mmwg']),
  column('cmH2O', [1e-2, WATER_4C], 'centimetre of water at 4 °C', ['cmwc']),
  column('ftH2O', [12 * INCH, WATER_4C], 'foot of water at 4 °C', ['ftwc', 'fthead']),
  column('mmH2O20', [1e-3, WATER_20C], 'millimetre of water at 20 °C', ['mmh2o@20c']),
  column('mH2O', [1, WATER_4C], 'metre of water at 4 °C', ['mwc', 'mhead']),
  column('mH2O20', [1, WATER_20C], 'metre of water at 20 °C', ['mh2o@20c']),
  column('mmHg', [1e-3, MERCURY_0C], 'millimetre of mercury at 0 °C'),
  column('inHg', [INCH, MERCURY_0C], 'inch of mercury at 0 °C', ['"hg']),
  {
    symbol: 'kgf/cm2',
    kind: 'pressure',
    factor: G * 1e4,
    from: 'kilogram-force per square centimetre',
    spoken: ['kg/cm2'],
  },
  {
    symbol: 'atm',
    kind: 'pressure',
    factor: 101_325,
    from: 'standard atmosphere',
    spoken: ['atmosphere', 'atmospheres'],
  },
  { symbol: 'torr', kind: 'pressure', factor: 101_325 / 760, from: 'standard atmosphere / 760' },
  { symbol: 'm3/s', kind: 'flow', factor: 1, from: 'SI' },
  { symbol: 'L/s', kind: 'flow', factor: 1e-3, from: 'litre', spoken: ['lps'] },
  { symbol: 'L/min', kind: 'flow', factor: 1e-3 / 60, from: 'litre', spoken: ['lpm'] },
  { symbol: 'm3/h', kind: 'flow', factor: 1 / 3600, from: 'SI', spoken: ['cmh'] },
  { symbol: 'gpm', kind: 'flow', factor: US_GALLON / 60, from: 'US gallon of 231 cubic inches' },
  {
    symbol: 'scfh',
    kind: 'flow',
    factor: CUBIC_FOOT / 3600,
    from: 'cubic foot of 12 inches, at standard conditions',
    spoken: ['cfh', 'ft3/h', 'ft3/hr'],
  },
  { symbol: 'turn', kind: 'turns', factor: 1, from: 'exact', spoken: ['turns', 'rev'] },
  { symbol: 'A', kind: 'current', factor: 1, from: 'SI' },
  { symbol: 'mA', kind: 'current', factor: 1e-3, from: 'SI' },
  { symbol: 'V', kind: 'voltage', factor: 1, from: 'SI' },
  { symbol: 'mV', kind: 'voltage', factor: 1e-3, from: 'SI' },
  { symbol: 'm', kind: 'length', factor: 1, from: 'SI' },
  { symbol: 'cm', kind: 'length', factor: 1e-2, from: 'SI' },
  { symbol: 'mm', kind: 'length', factor: 1e-3, from: 'SI' },
  {
    symbol: 'in',
    kind: 'length',
    factor: INCH,
    from: 'international yard',
    spoken: ['inch', 'inches', '"'],
  },
  {
    symbol: 'ft',
    kind: 'length',
    factor: 12 * INCH,
    from: 'international yard',
    spoken: ['feet', 'foot', "'"],
  },
  { symbol: 'K', kind: 'temperature', factor: 1, offset: -ICE, from: 'SI' },
  {
    symbol: '°C',
    kind: 'temperature',
    factor: 1,
    from: 'exact',
    spoken: ['c', 'degc'],
  },
  {
    symbol: '°F',
    kind: 'temperature',
    factor: 5 / 9,
    offset: (-32 * 5) / 9,
    from: 'exact',
    spoken: ['f', 'degf'],
  },
  { symbol: '%', kind: 'fraction', factor: 0.01, from: 'exact', spoken: ['percent', 'pct'] },
  { symbol: 's', kind: 'time', factor: 1, from: 'SI', spoken: ['sec', 'seconds'] },
  { symbol: 'min', kind: 'time', factor: 60, from: 'SI', spoken: ['minutes'] },
  { symbol: 'h', kind: 'time', factor: 3600, from: 'SI', spoken: ['hours'] },
];

const bySpelling = new Map<string, UnitRow>();
for (const row of units) {
  bySpelling.set(row.symbol.toLowerCase(), row);
  for (const word of row.spoken ?? []) bySpelling.set(word, row);
}

const plainSpelling = (spelling: string): string => spelling.normalize('NFKC').trim().toLowerCase();

/**
 * The unit of a spelling, any case, with gaps and points or without ("in. Hg"), m³ or m3; MPa and mPa are
 * told apart by nobody here: both are megapascal.
 */
export const findUnit = (spelling: string): UnitRow | undefined =>
  bySpelling.get(plainSpelling(spelling)) ??
  bySpelling.get(plainSpelling(spelling).replace(/[\s.]/gu, ''));

/** The unit of a symbol that we wrote ourselves; an unknown one is a bug. */
export function unitOf(symbol: string): UnitRow {
  const row = findUnit(symbol);
  if (!row) throw new Error(`no such unit: ${symbol}`);
  return row;
}

export const toSI = (value: number, symbol: string): number => {
  const { factor, offset = 0 } = unitOf(symbol);
  return value * factor + offset;
};

export const fromSI = (si: number, symbol: string): number => {
  const { factor, offset = 0 } = unitOf(symbol);
  return (si - offset) / factor;
};
