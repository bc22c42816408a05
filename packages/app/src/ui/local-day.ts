import { format } from 'date-fns/format';

/** The day where the phone is, as it stands on a calendar: late in the evening west of Greenwich too. */
export const localDay = (ms: number): string => format(ms, 'yyyy-MM-dd');
export const today = (): string => localDay(Date.now());
