import { err, ok, type Result } from '../result';
import { dayAfter } from './season';

export type Span = { readonly from: string; readonly to: string; readonly why: string };
export type SpanError = { readonly code: 'season.no_span'; readonly text: string };

const LINE = /^(\d{4}-\d{2}-\d{2})(?:\s*(?:to|–|-|\.\.)\s*(\d{4}-\d{2}-\d{2}))?\s*(.*)$/u;
/** Days of a span that anybody plans by. */
const MOST_DAYS = 400;

/** A calendar day that exists: not the thirtieth of February. */
const isDay = (text: string): boolean =>
  !Number.isNaN(Date.parse(text)) && dayAfter(text, 0) === text;

/**
 * Spans of days as they are typed, one a line: "2026-12-24 to 2026-12-26 holidays", or one day alone.
 *
 * @errors season.no_span, with the line that is none
 * @example readSpans('2026-12-24 to 2026-12-26 holidays') // → ok([{ from: '2026-12-24', to: '2026-12-26', why: 'holidays' }])
 */
export function readSpans(text: string): Result<readonly Span[], SpanError> {
  const spans: Span[] = [];
  for (const line of text.split(/[\n;]/u)) {
    const trimmed = line.trim();
    if (trimmed === '') continue;
    const [, from = '', to = from, why = ''] = LINE.exec(trimmed) ?? [];
    const isSpan = isDay(from) && isDay(to) && from <= to && to <= dayAfter(from, MOST_DAYS);
    if (!isSpan) return err({ code: 'season.no_span', text: trimmed });
    spans.push({ from, to, why: why.trim().slice(0, 200) });
  }
  return ok(spans);
}

/** As they are typed. */
export const printSpans = (
  spans: readonly { readonly from: string; readonly to: string; readonly why?: string }[],
): string =>
  spans
    .map(({ from, to, why }) =>
      [from === to ? from : `${from} to ${to}`, why].filter(Boolean).join(' '),
    )
    .join('\n');
