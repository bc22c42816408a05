import pino, { type DestinationStream } from 'pino';

/** What the server writes down: a line of JSON for whatever somebody has to look at. */
export type Diary = {
  readonly fault: (error: unknown, about?: Readonly<Record<string, unknown>>) => void;
  /** A request that failed or was slow; every one where the owner asks for it. */
  readonly request: (line: RequestLine) => void;
  readonly slowQuery: (sql: string, ms: number) => void;
};

export type RequestLine = {
  readonly id: string;
  readonly method: string;
  /** As the route is written, ids left out: "/api/valves/:id". */
  readonly route: string;
  readonly status: number;
  readonly ms: number;
};

/** ms from which on a request is slow. */
export const SLOW_REQUEST_MS = 1000;
/** ms from which on a query is slow. */
const SLOW_QUERY_MS = 250;
const LONGEST_SQL = 200;

/**
 * A diary that names nobody: of a request its route, of a query its words without the figures and texts in it.
 *
 * @param isWhole  every request, not only what failed or was slow
 */
export function openDiary(isWhole = false, to?: DestinationStream): Diary {
  const log = pino({ base: null, timestamp: pino.stdTimeFunctions.isoTime }, to);
  return {
    fault: (error, about = {}) => log.error({ ...about, err: error }, 'fault'),
    request: (line) => {
      if (line.status >= 500) log.error(line, 'request failed');
      else if (line.ms >= SLOW_REQUEST_MS) log.warn(line, 'request was slow');
      else if (isWhole) log.info(line, 'request');
    },
    slowQuery: (sql, ms) => {
      if (ms >= SLOW_QUERY_MS) log.warn({ sql: withoutValues(sql), ms }, 'query was slow');
    },
  };
}

/** What is asked, without of whom. */
export const withoutValues = (sql: string): string =>
  sql
    .replace(/'(?:[^']|'')*'/gu, '?')
    .replace(/\b\d+(?:\.\d+)?\b/gu, '?')
    .slice(0, LONGEST_SQL);
