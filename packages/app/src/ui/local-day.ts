import { unbroken } from '@holvek/core';
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';

/** The day where the phone is, as it stands on a calendar: late in the evening west of Greenwich too. */
export const localDay = (ms: number): string => format(ms, 'yyyy-MM-dd');
export const today = (): string => localDay(Date.now());
/** A calendar day as it is read, on one line: "3 Dec 2026". */
export const dayWords = (day: string): string => unbroken(format(parseISO(day), 'd MMM yyyy'));
