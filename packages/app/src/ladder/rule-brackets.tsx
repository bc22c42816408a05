import type { Ladder, System } from '@holvek/core';
import { Circle, G, Line, Text } from 'react-native-svg';
import type { Ink } from '@/ui/use-ink';
import type { LadderScale, Rails } from './ladder-scale';

const STRONG = 'AtkinsonHyperlegibleNext_700Bold';

type Bracket = {
  readonly number: number;
  readonly x: number;
  readonly from: number;
  readonly to: number;
  readonly isTight: boolean;
  /** px by which its number stands off the middle, so that neighbours do not touch. */
  readonly lift: number;
};

/** Brackets of the rules between two rungs, in columns so that none lies on another. */
export function bracketsOf(
  { rungs, rules }: System,
  { targets, slacks }: Ladder,
  { y }: LadderScale,
  rails: Rails,
): readonly Bracket[] {
  const pa = new Map(targets.map((target) => [target.rung, target.pa]));
  const spans = rules.flatMap((rule, i) => {
    const ends =
      rule.kind === 'above_by'
        ? [rule.high, rule.low]
        : rule.kind === 'between'
          ? [rule.rung, rule.base]
          : undefined;
    if (!ends || !rungs.some(({ id }) => id === ends[0])) return [];
    const ys = ends.map((id) => y(pa.get(id)!)).sort((a, b) => a - b);
    return [{ number: i + 1, from: ys[0]!, to: ys[1]!, isTight: slacks[i]!.slack < 1 }];
  });
  const columns: number[] = [];
  const placed = [...spans]
    .sort((a, b) => a.from - b.from)
    .map((span) => {
      let column = columns.findIndex((end) => end + 26 <= span.from);
      if (column < 0) column = columns.length;
      columns[column] = Math.max(span.to, span.from + 20);
      return { ...span, column };
    });
  const step = Math.min(24, (rails.right - rails.left - 24) / Math.max(1, columns.length));
  return placed.map(({ column, ...span }) => ({
    ...span,
    x: rails.left + 16 + column * step,
    lift: span.to - span.from > 44 ? (column % 2 === 0 ? -10 : 10) : 0,
  }));
}

/** A rule between two rungs, with its number. */
export function BracketMark({
  bracket: { number, x, from, to, isTight, lift },
  ink,
}: {
  readonly bracket: Bracket;
  readonly ink: Ink;
}) {
  const middle = (from + to) / 2 + lift;
  return (
    <G>
      <Line x1={x} x2={x} y1={from} y2={to} stroke={ink.brass} strokeWidth={isTight ? 3 : 1.5} />
      <Circle
        cx={x}
        cy={middle}
        r={9}
        fill={isTight ? ink.brassSoft : ink.card}
        stroke={ink.brass}
        strokeWidth={1.5}
      />
      <Text
        x={x}
        y={middle + 4}
        fontSize={10}
        fontFamily={STRONG}
        fill={isTight ? ink.onBrassSoft : ink.brass}
        textAnchor="middle"
      >
        {String(number)}
      </Text>
    </G>
  );
}
