import type { Imported } from '@holvek/core';
import { Card } from '@/ui/card';
import { Muted, Strong, Words } from '@/ui/words';

/** Whether a file says nothing new. */
export const isIdle = ({ fresh, changed }: Imported): boolean =>
  fresh.length + changed.length === 0;

const words: Readonly<Record<string, string>> = {
  'register.no_number': 'no number in its unit',
  'register.no_choice': 'none of what it may be',
  'register.missing': 'missing',
  'register.tag_twice': 'the tag stands in the file twice',
  'register.tag_taken': 'another valve has this tag',
  'register.out_of_range': 'past what a plate can say',
  'gauge.tag_twice': 'the tag stands in the file twice',
  'gauge.unit_unknown': 'no unit of pressure',
  'gauge.range_upside_down': 'the range is upside down',
  'gauge.cannot_be': 'missing, or not what a gauge can say',
  'register.no_place': 'no place of this register',
  'place.above_unknown': 'the place above it is not known',
  'place.above_closed': 'the place above it is closed',
  'place.under_itself': 'it would lie under itself',
  'place.too_deep': 'too deep within other places',
  'place.no_altitude': 'a site says how high it lies',
  'place.name_taken': 'the place above has one of this name',
  'place.cannot_be': 'not what a place can say',
  'register.other_unit': 'its column is in a unit of something else',
};
const codeWords = (code: string): string => words[code] ?? code.replaceAll(/[._]/gu, ' ');

/** What the rows of a file are. */
export type RowsOf = 'valves' | 'gauges' | 'places';

/** Issues that are shown; the rest are counted. */
const MOST_SHOWN = 12;

const counted = (count: number, what: RowsOf): string =>
  `${count} ${count === 1 ? what.slice(0, -1) : what}`;

/** One by one what is new and what changes, and row by row what is wrong. */
export function WhatItDoes({
  imported: { kept, fresh, changed, issues },
  isTaken,
  what,
}: {
  readonly imported: Imported;
  readonly isTaken: boolean;
  /** What its rows are. */
  readonly what: RowsOf;
}) {
  const same = kept.length - fresh.length - changed.length;
  const lines = [
    ['New', fresh],
    ['Changed', changed],
  ] as const;
  return (
    <Card testID="what-it-does" role="status">
      <Strong>
        {isTaken
          ? `${counted(kept.length, what)} kept`
          : `${counted(kept.length, what)} read, none taken yet`}
      </Strong>
      {lines.map(([say, tags]) =>
        tags.length > 0 ? (
          <Words key={say}>{`${say}, ${tags.length}: ${tags.join(', ')}`}</Words>
        ) : null,
      )}
      {same > 0 ? <Muted>{`${same} stand in the register just so`}</Muted> : null}
      {issues.slice(0, MOST_SHOWN).map(({ line, column, code }) => (
        <Words
          key={`${line}-${column}-${code}`}
          color="$vermilion"
        >{`Line ${line}, ${column}: ${codeWords(code)}`}</Words>
      ))}
      {issues.length > MOST_SHOWN ? (
        <Words color="$vermilion">{`and ${issues.length - MOST_SHOWN} more`}</Words>
      ) : null}
    </Card>
  );
}
