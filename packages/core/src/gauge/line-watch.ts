import type { LineError } from './line-format';

/** What has come over a line of late. */
export type LineHeard = {
  /** s by a clock that only goes forward; undefined before anything came. */
  readonly lastAt: number | undefined;
  /** Since when every line has said exactly the same, s. */
  readonly sameSince: number;
  /** Lines in a row that could not be read. */
  readonly unread: number;
  readonly lastError: LineError | undefined;
  /** Pa that it showed last. */
  readonly shown: number | undefined;
};

export type LineTrouble =
  | { readonly code: 'line.silent'; readonly seconds: number }
  | { readonly code: 'line.unread'; readonly error: LineError }
  | { readonly code: 'line.frozen'; readonly seconds: number }
  | { readonly code: 'line.over_range' };

/** A gauge that is asked twice a second may miss some; one that is silent so long has gone. */
const SILENT_S = 5;
/** Of lines that cannot be read, one is noise; so many in a row are another way of speaking. */
const UNREAD = 4;
/** A live gauge flickers in its last digit; one that is held does not. */
const FROZEN_S = 120;
/** After the valve was touched a gauge that has not stirred for so long is held, or its cock is shut. */
const FROZEN_TOUCHED_S = 20;

type About = {
  /** s by the same clock. */
  readonly now: number;
  /** s between two lines as the format says. */
  readonly every: number;
  /** When the valve was touched last, s; undefined where it was not. */
  readonly touchedAt: number | undefined;
  /** Range of the gauge, Pa. */
  readonly low: number;
  readonly high: number;
};

/**
 * What is wrong with a line, so that the run goes on by hand; undefined while all is well. The gravest first:
 * silence, lines that cannot be read, a figure beyond the range, one that does not stir.
 *
 * @example
 * const heard = { lastAt: 0, sameSince: 0, unread: 0, lastError: undefined, shown: 1 };
 * lineTrouble(heard, { now: 9, every: 1, touchedAt: undefined, low: 0, high: 9 })?.code // 'line.silent'
 */
export function lineTrouble(heard: LineHeard, about: About): LineTrouble | undefined {
  const { now, every, touchedAt, low, high } = about;
  const { lastAt, sameSince, unread, lastError, shown } = heard;
  if (lastAt === undefined) return undefined;
  const silent = now - lastAt;
  if (silent > Math.max(SILENT_S, 4 * every)) return { code: 'line.silent', seconds: silent };
  if (unread >= UNREAD && lastError) return { code: 'line.unread', error: lastError };
  if (shown !== undefined && (shown > high || shown < low)) return { code: 'line.over_range' };
  const isTouched = touchedAt !== undefined && touchedAt > sameSince;
  const still = now - (isTouched ? touchedAt : sameSince);
  const isFrozen = still > (isTouched ? FROZEN_TOUCHED_S : FROZEN_S);
  return isFrozen ? { code: 'line.frozen', seconds: now - sameSince } : undefined;
}

/** Of a line that was just opened. */
export const nothingHeard: LineHeard = {
  lastAt: undefined,
  sameSince: 0,
  unread: 0,
  lastError: undefined,
  shown: undefined,
};

/** What has come, with one more line. @param read  Pa, or why it could not be read */
export function heardLine(
  heard: LineHeard,
  now: number,
  read:
    | { readonly ok: true; readonly value: number }
    | { readonly ok: false; readonly error: LineError },
): LineHeard {
  if (!read.ok) return { ...heard, lastAt: now, unread: heard.unread + 1, lastError: read.error };
  const isSame = heard.shown === read.value;
  return {
    lastAt: now,
    sameSince: isSame ? heard.sameSince : now,
    unread: 0,
    lastError: undefined,
    shown: read.value,
  };
}

/** Cuts what comes over a line into lines. What came before its first end is half a line, and left out. */
export class LineCutter {
  private rest = '';
  private hasBegun = false;

  /** Whole lines that have come with this piece. */
  take(piece: string): string[] {
    const parts = (this.rest + piece).split(/\r\n|\n|\r(?!$)/u);
    this.rest = (parts.pop() ?? '').slice(-LONGEST_REST);
    const lines = this.hasBegun ? parts : parts.slice(1);
    if (parts.length > 0) this.hasBegun = true;
    return lines.filter((line) => line.trim() !== '');
  }
}

/** Letters without an end that are kept: noise never ends. */
const LONGEST_REST = 4096;
