/** Bytes of one line of the log: date, time, pressure, set value and position. */
const LINE_BYTES = 40;
const DAY_S = 86_400;
const MONTH_DAYS = 30.44;

export type LogCard = { readonly card_bytes: number; readonly interval_s: number };

/**
 * Days until the memory card is full.
 *
 * @param card_bytes  room on it
 * @param interval_s  s between two lines, above nothing
 * @example logDays({ card_bytes: 64e6, interval_s: 10 }) // → 185.2
 */
export const logDays = ({ card_bytes: bytes, interval_s: interval }: LogCard): number =>
  ((bytes / LINE_BYTES) * interval) / DAY_S;

/** The shortest interval, whole s, with which the card lasts until the next visit. */
export const shortestInterval = (card_bytes: number, months: number): number =>
  Math.max(1, Math.ceil((months * MONTH_DAYS * DAY_S * LINE_BYTES) / card_bytes));
