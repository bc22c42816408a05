import type { Due, Duty } from '@holvek/core';
import { format } from 'date-fns/format';

export const dutyName: Readonly<Record<Duty, string>> = {
  gas: 'gas',
  fire: 'fire protection',
  safety: 'safety',
  process: 'process',
  comfort: 'comfort',
};
const day = (ms: number) => format(ms, 'd MMM yyyy');

/** When a valve wants its next look, and what asks for it. */
export function dueWords({ duty, months, because, earliest, likely, latest }: Due): string {
  if (because === 'interval')
    return `${day(likely)}, ${months === 1 ? 'every month' : `every ${months} months`} (${dutyName[duty]})`;
  const window = latest > earliest ? `, ${day(earliest)} to ${day(latest)}` : '';
  return `${day(likely)} by its drift${window}`;
}
