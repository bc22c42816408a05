import {
  parseDifference,
  parseQuantity,
  registerOf,
  type LoopError,
  type RegisterKey,
} from '@holvek/core';
import type { DeviceError } from './registers';
import { plainNumber } from '@/ui/plain-number';
import { spanWords } from '@/words/aim-words';
import type { Units } from '@/units/use-units';

const DAY_ONE_MS = Date.UTC(2000, 0, 1);
const DAY_MS = 86_400_000;

/** A register's value as it is read out: a code by its word, a quantity with its unit, a date as a date. */
export function registerWords(key: RegisterKey, value: number, units: Units): string {
  const { unit, codes } = registerOf(key);
  if (codes) return codes[value] ?? String(value);
  if (key === 'clock_day') return new Date(DAY_ONE_MS + value * DAY_MS).toISOString().slice(0, 10);
  if (key === 'clock_minute')
    return `${String(Math.floor(value / 60)).padStart(2, '0')}:${String(Math.round(value % 60)).padStart(2, '0')}`;
  switch (unit) {
    case 'Pa':
      return units.withUnit(value, 100);
    case 'A':
      return `${(value * 1000).toFixed(2)} mA`;
    case 's':
      return `${Number(value.toFixed(1))} s`;
    case 'fraction':
      return spanWords(value, 2);
    default:
      return String(Number(value.toFixed(3)));
  }
}

const kindOf = { Pa: 'pressure', A: 'current', s: 'time', fraction: 'fraction' } as const;

/** A register’s value from what is typed as the unit shows it, in its unit; undefined for what cannot be read. */
export function readRegisterText(key: RegisterKey, text: string, units: Units): number | undefined {
  const { unit } = registerOf(key);
  if (key === 'clock_day') {
    const day = /^\d{4}-\d{2}-\d{2}$/u.test(text.trim()) ? Date.parse(text.trim()) : NaN;
    return Number.isNaN(day) ? undefined : (day - DAY_ONE_MS) / DAY_MS;
  }
  if (key === 'clock_minute') {
    const [, hours, minutes] = /^([01]?\d|2[0-3]):([0-5]\d)$/u.exec(text.trim()) ?? [];
    return hours === undefined ? undefined : Number(hours) * 60 + Number(minutes);
  }
  if (unit === '') {
    const value = plainNumber(text);
    return Number.isFinite(value) ? value : undefined;
  }
  const shown = { Pa: units.pressure, A: 'mA', s: 's', fraction: '%' }[unit];
  const kind = kindOf[unit];
  // The unit counts from the air outside and knows nothing else.
  const parsed =
    kind === 'pressure' ? parseDifference(text, shown) : parseQuantity(text, kind, shown);
  return parsed.ok ? parsed.value.si : undefined;
}

const refusal = {
  syntax: 'The unit did not understand that.',
  address: 'The unit has no such register.',
  read_only: 'That register can only be read.',
  range: 'The unit does not take that value.',
  busy: 'The unit is still at work: wait until it has ended.',
  no_power: 'The unit has no supply, so it does not answer.',
} as const;

/** What went wrong on the line; what had been read back before stands. */
export function deviceTrouble(error: DeviceError, units: Units): string {
  switch (error.code) {
    case 'device.no_answer':
      return 'No answer from the unit. Look at the line, or key it in by hand. What was read back before is kept.';
    case 'device.garbled':
      return 'The unit’s answer cannot be read. Nothing was kept of it.';
    case 'device.refused':
      return refusal[error.refusal];
    case 'device.out_of_range':
      return (
        `${registerOf(error.register).name} takes ${registerWords(error.register, error.low, units)} ` +
        `to ${registerWords(error.register, error.high, units)}.`
      );
  }
}

const cableFields: Readonly<Record<string, string>> = {
  supply: 'The supply',
  current: 'The current',
  area: 'The conductor',
  length: 'The length',
  temperature: 'The temperature',
};
/** What is wrong with the figures of a cable. */
export const cableTrouble = ({ field }: LoopError): string =>
  `${cableFields[field] ?? field} must stand above nothing.`;
