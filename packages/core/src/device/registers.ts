import { err, ok, type Result } from '../result';

/** What an electronic pilot keeps and shows, by the name the house uses for it. */
export const registerKeys = [
  'application',
  'range_low',
  'range_high',
  'trim_zero',
  'trim_span',
  'set_value',
  'manual_output',
  'mode',
  'gain',
  'integral_time',
  'log_interval',
  'clock_day',
  'clock_minute',
  'command_source',
  'contacts',
  'contact_first',
  'analog_output',
  'contact_output',
  'pressure',
  'current',
  'position',
  'counts',
  'state',
  'closed_counts',
  'open_counts',
  'stroke_time',
  'tune_period',
  'tune_amplitude',
  'analog_out',
  'contact_out',
  'start_stroke',
  'start_tune',
] as const;
export type RegisterKey = (typeof registerKeys)[number];

/** holding: written and read; input: read only; coil: a command, started by writing 1. */
export type RegisterKind = 'holding' | 'input' | 'coil';
export type Register = {
  readonly key: RegisterKey;
  readonly kind: RegisterKind;
  readonly address: number;
  readonly name: string;
  /** Of the value; empty for codes and counts. */
  readonly unit: 'Pa' | 'A' | 's' | 'fraction' | '';
  /** Value of one count. */
  readonly perCount: number;
  /** Counts that it takes, both ends included. */
  readonly low: number;
  readonly high: number;
  /** What its codes mean. */
  readonly codes?: Readonly<Record<number, string>>;
};

type Own = Pick<Register, 'unit' | 'perCount' | 'low' | 'high' | 'codes'>;
/** Counts of sixteen bits without a unit, unless a register says otherwise. */
const plain: Own = { unit: '', perCount: 1, low: 0, high: 65_535 };
const holding = (
  address: number,
  key: RegisterKey,
  name: string,
  own: Partial<Own> = {},
): Register => ({ ...plain, key, kind: 'holding', address, name, ...own });
const input = (
  address: number,
  key: RegisterKey,
  name: string,
  own: Partial<Own> = {},
): Register => ({ ...plain, key, kind: 'input', address, name, ...own });

const onOff = { 0: 'off', 1: 'on' } as const;

/** The map of the stand-in: addresses in the manner of a field bus, sixteen bits each. */
export const registers: readonly Register[] = [
  {
    key: 'start_stroke',
    kind: 'coil',
    address: 1,
    name: 'Find both ends of the stroke',
    unit: '',
    perCount: 1,
    low: 1,
    high: 1,
  },
  {
    key: 'start_tune',
    kind: 'coil',
    address: 2,
    name: 'Tune itself',
    unit: '',
    perCount: 1,
    low: 1,
    high: 1,
  },
  input(30_001, 'pressure', 'Pressure', { unit: 'Pa', perCount: 100 }),
  input(30_002, 'current', 'Current of the sensor', { unit: 'A', perCount: 1e-6 }),
  input(30_003, 'position', 'Position', { unit: 'fraction', perCount: 0.001 }),
  input(30_004, 'counts', 'Position, counts'),
  input(30_005, 'state', 'State', {
    codes: {
      0: 'at rest',
      1: 'stroking',
      2: 'tuning',
      3: 'done',
      9: 'gave up',
    },
  }),
  input(30_006, 'closed_counts', 'Counts, shut'),
  input(30_007, 'open_counts', 'Counts, open'),
  input(30_008, 'stroke_time', 'Time of a stroke', { unit: 's', perCount: 0.1 }),
  input(30_009, 'tune_period', 'Period while tuning', { unit: 's', perCount: 0.1 }),
  input(30_010, 'tune_amplitude', 'Swing while tuning', { unit: 'fraction', perCount: 0.0001 }),
  input(30_011, 'analog_out', 'Current at its analog output', { unit: 'A', perCount: 1e-6 }),
  input(30_012, 'contact_out', 'Contact outputs', {
    codes: {
      0: 'none closed',
      1: 'shut end closed',
      2: 'open end closed',
    },
  }),
  holding(40_001, 'application', 'Application', {
    low: 1,
    high: 2,
    codes: { 1: 'reducing', 2: 'back pressure' },
  }),
  holding(40_002, 'range_low', 'Sensor at 4 mA', { unit: 'Pa', perCount: 100, low: -1000 }),
  holding(40_003, 'range_high', 'Sensor at 20 mA', { unit: 'Pa', perCount: 100, low: -1000 }),
  holding(40_004, 'trim_zero', 'Trim of zero', {
    unit: 'fraction',
    perCount: 0.0001,
    low: -1000,
    high: 1000,
  }),
  holding(40_005, 'trim_span', 'Trim of span', {
    unit: 'fraction',
    perCount: 0.0001,
    low: -1000,
    high: 1000,
  }),
  holding(40_006, 'set_value', 'Set value', { unit: 'Pa', perCount: 100, low: -1000 }),
  holding(40_007, 'manual_output', 'Output by hand', {
    unit: 'fraction',
    perCount: 0.001,
    high: 1000,
  }),
  holding(40_008, 'mode', 'Mode', { high: 1, codes: { 0: 'by hand', 1: 'automatic' } }),
  holding(40_009, 'gain', 'Gain', { perCount: 0.001, low: 1 }),
  holding(40_010, 'integral_time', 'Integral time', { unit: 's', perCount: 0.1, low: 1 }),
  holding(40_011, 'log_interval', 'Log interval', { unit: 's', low: 1 }),
  holding(40_012, 'clock_day', 'Date, days since 1 January 2000'),
  holding(40_013, 'clock_minute', 'Time, minutes since midnight', { high: 1439 }),
  holding(40_014, 'command_source', 'Commanded by', {
    low: 1,
    high: 3,
    codes: {
      1: 'its own set value',
      2: 'an analog signal',
      3: 'a bus',
    },
  }),
  holding(40_015, 'contacts', 'Contacts that override', { high: 1, codes: onOff }),
  holding(40_016, 'contact_first', 'Contact that wins', {
    low: 1,
    high: 3,
    codes: {
      1: 'shut',
      2: 'open',
      3: 'stay',
    },
  }),
  holding(40_017, 'analog_output', 'Analog output', { high: 1, codes: onOff }),
  holding(40_018, 'contact_output', 'Contact outputs', { high: 1, codes: onOff }),
];

const byKey = Object.fromEntries(registers.map((register) => [register.key, register])) as Record<
  RegisterKey,
  Register
>;
export const registerOf = (key: RegisterKey): Register => byKey[key];
export const registerAt = (address: number): Register | undefined =>
  registers.find((register) => register.address === address);

export type RegisterError = {
  readonly code: 'device.out_of_range';
  readonly register: RegisterKey;
  /** Values, in the register's unit. */
  readonly low: number;
  readonly high: number;
};

/**
 * Counts that stand for a value, rounded to the nearest.
 *
 * @param value  in the register's unit
 * @errors  device.out_of_range, also for what is no number
 */
export function toCounts(
  { key, perCount, low, high }: Register,
  value: number,
): Result<number, RegisterError> {
  const counts = Math.round(value / perCount);
  return counts >= low && counts <= high
    ? ok(counts)
    : err({
        code: 'device.out_of_range',
        register: key,
        low: low * perCount,
        high: high * perCount,
      });
}

export const fromCounts = ({ perCount }: Register, counts: number): number => counts * perCount;
