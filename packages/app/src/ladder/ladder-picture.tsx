import { type FoundBeside, type Ladder, type Rule, type System } from '@holvek/core';
import { useState } from 'react';
import Svg, { Circle, G, Line, Rect, Text } from 'react-native-svg';
import { View } from '@/ui/kit';
import { RungHandles } from './rung-handles';
import { spreadLabels } from './spread';
import { niceTicks } from '@/ui/nice-ticks';
import { useUnits } from '@/units/use-units';
import { useInk, type Ink } from '@/ui/use-ink';

const STRONG = 'AtkinsonHyperlegibleNext_700Bold';
const BODY = 'AtkinsonHyperlegibleNext_400Regular';
const FIGURES = 'AtkinsonHyperlegibleMono_400Regular';
const AXIS = 52;
/** Height of a label: name, target, and on a third line what was found. */
const LABEL = 38;
const LABEL_FOUND = 54;
const PAD = 22;

type Props = {
  readonly system: System;
  readonly ladder: Ladder;
  readonly beside: readonly FoundBeside[];
  /** Rung that is held by hand, and where. */
  readonly dragged: string | undefined;
  readonly onDrag: (rung: string, pa: number) => void;
};

/**
 * The pressures of one system as rungs between two rails, rules as numbered brackets between them,
 * what was found as dashes. Labels stand beside the rails, never over one another, each tied to its
 * rung. Every figure can be read without colour.
 */
export function LadderPicture({ system, ladder, beside, dragged, onDrag }: Props) {
  const [width, setWidth] = useState(350);
  const units = useUnits();
  const ink = useInk();
  const { rungs, rules } = system;
  const label = rungs.some(({ found_pa: found }) => found !== undefined) ? LABEL_FOUND : LABEL;
  const height = Math.max(330, rungs.length * (label + 4) + 2 * PAD);
  const scale = scaleOf(system, ladder, height);
  const { y } = scale;
  const rails = { left: AXIS + 10, right: AXIS + Math.min(170, width * 0.36) };
  const places = spreadLabels(
    ladder.targets.map(({ pa }) => y(pa) - label / 2),
    label,
    height - label,
  );
  const brackets = bracketsOf(rules, ladder, system, y, rails);
  return (
    <View
      onLayout={({ nativeEvent }) => setWidth(Math.max(280, nativeEvent.layout.width))}
      role="group"
      aria-label={`Ladder of ${system.name}`}
      testID="ladder-picture"
      position="relative"
      height={height}
    >
      <Svg width={width} height={height}>
        {niceTicks(scale.low, scale.high, units.pressure, 5).map(({ si, text }) => (
          <G key={text}>
            <Line x1={AXIS} x2={rails.right} y1={y(si)} y2={y(si)} stroke={ink.line} />
            <Text
              x={AXIS - 6}
              y={y(si) + 4}
              fontSize={11}
              fontFamily={FIGURES}
              fill={ink.muted}
              textAnchor="end"
            >
              {text}
            </Text>
          </G>
        ))}
        {[rails.left, rails.right].map((x) => (
          <Line
            key={x}
            x1={x}
            x2={x}
            y1={PAD / 2}
            y2={height - PAD / 2}
            stroke={ink.color}
            strokeWidth={5}
            strokeLinecap="round"
          />
        ))}
        {rungs.map((rung, i) =>
          rung.found_pa === undefined ? null : (
            <Line
              key={`found-${rung.id}`}
              x1={rails.left + 4}
              x2={rails.right - 4}
              y1={y(rung.found_pa)}
              y2={y(rung.found_pa)}
              stroke={beside[i]?.word === 'in_order' ? ink.muted : ink.vermilion}
              strokeWidth={2.5}
              strokeDasharray="5 4"
            />
          ),
        )}
        {ladder.targets.map(({ rung, pa }, i) => (
          <RungLine
            key={rung}
            kind={rungs[i]!.kind}
            y={y(pa)}
            labelY={places[i]! + label / 2}
            rails={rails}
            isHeld={rung === dragged}
            ink={ink}
          />
        ))}
        {brackets.map((bracket) => (
          <BracketMark key={bracket.number} bracket={bracket} ink={ink} />
        ))}
        {ladder.targets.map(({ rung, pa }, i) => (
          <G key={`label-${rung}`}>
            <Text
              x={rails.right + 26}
              y={places[i]! + 16}
              fontSize={13}
              fontFamily={STRONG}
              fill={ink.color}
            >
              {short(rungs[i]!.name, width - rails.right - 26)}
            </Text>
            <Text
              x={rails.right + 26}
              y={places[i]! + 32}
              fontSize={12}
              fontFamily={BODY}
              fill={ink.muted}
            >
              {units.withUnit(pa)}
            </Text>
            {rungs[i]!.found_pa === undefined ? null : (
              <Text
                x={rails.right + 26}
                y={places[i]! + 47}
                fontSize={12}
                fontFamily={BODY}
                fill={beside[i]?.word === 'in_order' ? ink.muted : ink.vermilion}
              >
                {`found ${units.figure(rungs[i]!.found_pa)}${foundWord[beside[i]?.word ?? 'not_read']}`}
              </Text>
            )}
          </G>
        ))}
      </Svg>
      <RungHandles
        system={system}
        ladder={ladder}
        scale={scale}
        rails={rails}
        places={places}
        labelHeight={label}
        onDrag={onDrag}
      />
    </View>
  );
}

export type LadderScale = {
  readonly low: number;
  readonly high: number;
  readonly y: (pa: number) => number;
  readonly paAt: (y: number) => number;
};
export type Rails = { readonly left: number; readonly right: number };

/** All targets and findings with room to either side. */
function scaleOf({ rungs }: System, { targets }: Ladder, height: number): LadderScale {
  const values = [
    ...targets.map(({ pa }) => pa),
    ...rungs.flatMap(({ found_pa: found }) => found ?? []),
  ];
  const least = Math.min(...values);
  const most = Math.max(...values);
  const room = Math.max((most - least) * 0.08, Math.abs(most) * 0.02, 1000);
  const [low, high] = [least - room, most + room];
  const span = height - 2 * PAD;
  return {
    low,
    high,
    y: (pa) => PAD + (span * (high - pa)) / (high - low),
    paAt: (y) => high - ((y - PAD) * (high - low)) / span,
  };
}

function RungLine({
  kind,
  y,
  labelY,
  rails,
  isHeld,
  ink,
}: {
  readonly kind: string;
  readonly y: number;
  readonly labelY: number;
  readonly rails: Rails;
  readonly isHeld: boolean;
  readonly ink: Ink;
}) {
  const isFact = kind === 'load' || kind === 'rating' || kind === 'pump';
  const colour = isHeld
    ? ink.brassMark
    : kind === 'rating'
      ? ink.vermilion
      : isFact
        ? ink.slate
        : ink.verdigris;
  return (
    <G>
      <Line
        x1={rails.left}
        x2={rails.right}
        y1={y}
        y2={y}
        stroke={colour}
        strokeWidth={isFact ? 4 : 7}
      />
      {kind === 'rating' ? (
        <Rect
          x={rails.left}
          y={y - 9}
          width={rails.right - rails.left}
          height={5}
          fill={ink.vermilionSoft}
        />
      ) : null}
      <Line
        x1={rails.right}
        x2={rails.right + 8}
        y1={y}
        y2={y}
        stroke={ink.muted}
        strokeWidth={1.2}
      />
      <Line
        x1={rails.right + 8}
        x2={rails.right + 22}
        y1={y}
        y2={labelY}
        stroke={ink.muted}
        strokeWidth={1.2}
      />
    </G>
  );
}

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
function bracketsOf(
  rules: readonly Rule[],
  { targets, slacks }: Ladder,
  { rungs }: System,
  y: (pa: number) => number,
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

function BracketMark({
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

const foundWord = {
  not_read: '',
  in_order: ', in order',
  too_high: ', too high',
  too_low: ', too low',
} as const;

/** As much of a name as its place has room for. */
const short = (name: string, room: number): string => {
  const most = Math.max(8, Math.floor(room / 7.4));
  return name.length <= most ? name : `${name.slice(0, most - 1)}…`;
};
