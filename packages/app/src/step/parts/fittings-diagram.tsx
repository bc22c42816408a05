import type { Fitting, Positions } from '@holvek/core';
import { useState } from 'react';
import Svg, { Circle, G, Line, Path, Rect, Text } from 'react-native-svg';
import { View } from '@/ui/kit';
import { useDesk } from '@/desk/use-desk';
import { useInk, type Ink } from '@/ui/use-ink';
import { stateWord } from './state-word';

const BODY = 'AtkinsonHyperlegibleNext_400Regular';
const STRONG = 'AtkinsonHyperlegibleNext_700Bold';
const LINE = 112;
/** px below the line for names and states, and for each row more. */
const NAMES = 50;
const ROW = 28;
/** px that a letter of a name takes, so that none runs out on the left. */
const LETTER = 5.6;

type Placed = {
  readonly fitting: Fitting;
  readonly x: number;
  readonly y: number;
  /** In which row its name stands: lower by one for each name that it would lie on. */
  readonly row: number;
};

/** The valve on its line with every cock, selector and switch as it stands; what the step moves is brass. */
export function FittingsDiagram({ next = {} }: { readonly next?: Positions }) {
  const { run } = useDesk();
  const [width, setWidth] = useState(340);
  const ink = useInk();
  const { fittings } = run.procedure;
  const shown = fittings.filter(({ key }) => key in run.positions || key in next);
  if (shown.length === 0) return null;
  const middle = middleOf(shown, width);
  const placed = apart(place(shown, width, middle));
  const room = roomOf(placed);
  const height = room.over + LINE + room.under;
  const stateOf = (key: string) => next[key] ?? run.positions[key];
  return (
    <View
      onLayout={({ nativeEvent }) => setWidth(Math.max(260, nativeEvent.layout.width))}
      role="img"
      aria-label={shown.map(({ key, name }) => `${name} ${stateWord(stateOf(key))}`).join(', ')}
      testID="fittings"
    >
      <Svg width={width} height={height} viewBox={`0 ${-room.over} ${width} ${height}`}>
        <Line x1={0} x2={width} y1={LINE} y2={LINE} stroke={ink.color} strokeWidth={3} />
        {placed.map(({ fitting, x, y }) => (
          <Branch
            key={fitting.key}
            at={fitting.at}
            x={x}
            y={y}
            middle={middle}
            width={width}
            ink={ink}
          />
        ))}
        <Valve x={middle} ink={ink} />
        {placed.map(({ fitting, x, y, row }) => (
          <FittingMark
            key={fitting.key}
            fitting={fitting}
            x={x}
            y={y}
            row={row}
            state={stateOf(fitting.key)}
            isMoved={fitting.key in next && next[fitting.key] !== run.positions[fitting.key]}
            ink={ink}
          />
        ))}
      </Svg>
    </View>
  );
}

const sideOf = (at: Fitting['at']): 'before' | 'after' | undefined =>
  at === 'before' || at === 'branch_before'
    ? 'before'
    : at === 'after' || at === 'branch_after'
      ? 'after'
      : undefined;

/** The valve stands where both sides have room for what is on them. */
function middleOf(fittings: readonly Fitting[], width: number): number {
  const before = fittings.filter(({ at }) => sideOf(at) === 'before').length;
  const after = fittings.filter(({ at }) => sideOf(at) === 'after').length;
  return (width * (before + 0.9)) / (before + after + 1.8);
}

function place(fittings: readonly Fitting[], width: number, middle: number): readonly Placed[] {
  const spread = (at: readonly Fitting['at'][], from: number, to: number, y: number): Placed[] => {
    const own = fittings.filter((fitting) => at.includes(fitting.at));
    return own.map((fitting, i) => ({
      fitting,
      x: from + ((to - from) * (i + 0.5)) / own.length,
      y: fitting.at.startsWith('branch') ? LINE + 32 : y,
      row: 0,
    }));
  };
  return [
    ...spread(['before', 'branch_before'], 0, middle - 24, LINE),
    ...spread(['after', 'branch_after'], middle + 24, width, LINE),
    ...spread(['above'], Math.max(30, middle - 96), Math.min(width - 30, middle + 96), 42),
    ...spread(['round'], width * 0.7, width - 10, 42),
  ];
}

const isOver = (at: Fitting['at']): boolean => at === 'above' || at === 'round';

/** Names that would touch stand in rows, away from the line: each in the first that is free where it begins. */
function apart(placed: readonly Placed[]): readonly Placed[] {
  const ends = { over: [] as number[], under: [] as number[] };
  return [...placed]
    .sort((a, b) => a.x - b.x)
    .map((each) => {
      const { at, name } = each.fitting;
      const half = (name.length * LETTER) / 2;
      const from = Math.max(each.x, half) - half;
      const rows = isOver(at) ? ends.over : ends.under;
      // What hangs beside the line has its mark where the first row is.
      let row = at.startsWith('branch') ? 1 : 0;
      while (from < (rows[row] ?? -Infinity) + LETTER) row += 1;
      rows[row] = from + 2 * half;
      return { ...each, row };
    });
}

/** px of names, over the drawing and under it. */
function roomOf(placed: readonly Placed[]): { readonly over: number; readonly under: number } {
  const rows = (over: boolean) =>
    Math.max(
      0,
      ...placed.flatMap(({ fitting, row }) => (isOver(fitting.at) === over ? [row] : [])),
    );
  return { over: rows(true) * ROW, under: NAMES + rows(false) * ROW };
}

/** The pipe that leads to a fitting beside the line. */
function Branch({
  at,
  x,
  y,
  middle,
  width,
  ink,
}: {
  readonly at: Fitting['at'];
  readonly x: number;
  readonly y: number;
  readonly middle: number;
  readonly width: number;
  readonly ink: Ink;
}) {
  if (at === 'above')
    return (
      <Line
        x1={x}
        x2={middle}
        y1={y + 8}
        y2={LINE - 30}
        stroke={ink.muted}
        strokeWidth={1.5}
        strokeDasharray="4 3"
      />
    );
  if (at === 'round')
    return (
      <Path
        d={`M10,${LINE} L10,${y} L${width - 8},${y} L${width - 8},${LINE}`}
        fill="none"
        stroke={ink.muted}
        strokeWidth={2}
      />
    );
  if (at.startsWith('branch'))
    return <Line x1={x} x2={x} y1={LINE} y2={y + 14} stroke={ink.color} strokeWidth={2} />;
  return null;
}

const Valve = ({ x, ink }: { readonly x: number; readonly ink: Ink }) => (
  <G>
    <Path
      d={`M${x - 20},${LINE - 13} L${x - 20},${LINE + 13} L${x + 20},${LINE - 13} L${x + 20},${LINE + 13} Z`}
      fill={ink.lane}
      stroke={ink.color}
      strokeWidth={3}
      strokeLinejoin="round"
    />
    <Line x1={x} x2={x} y1={LINE} y2={LINE - 24} stroke={ink.color} strokeWidth={3} />
    <Path
      d={`M${x - 14},${LINE - 22} A14,14 0 0 1 ${x + 14},${LINE - 22} Z`}
      fill={ink.brassSoft}
      stroke={ink.color}
      strokeWidth={2.5}
    />
  </G>
);

type MarkProps = {
  readonly fitting: Fitting;
  readonly x: number;
  readonly y: number;
  readonly row: number;
  readonly state: number | string | undefined;
  readonly isMoved: boolean;
  readonly ink: Ink;
};

function FittingMark({ fitting, x, y, row, state, isMoved, ink }: MarkProps) {
  const edge = isMoved ? ink.brass : ink.color;
  const isOpen = typeof state === 'number' ? state > 0 : state !== 'off' && state !== 'close';
  const textY = isOver(fitting.at) ? y - 30 - row * ROW : LINE + 30 + row * ROW;
  return (
    <G>
      {fitting.kind === 'selector' || fitting.kind === 'switch' ? (
        <G>
          <Circle
            cx={x}
            cy={y}
            r={12}
            fill={isOpen ? ink.lane : ink.card}
            stroke={edge}
            strokeWidth={2.5}
          />
          <Line
            x1={x}
            x2={isOpen ? x + 9 : x}
            y1={y}
            y2={isOpen ? y : y - 9}
            stroke={edge}
            strokeWidth={3}
            strokeLinecap="round"
          />
        </G>
      ) : (
        <G>
          <Rect x={x - 14} y={y - 9} width={28} height={18} fill={ink.background} />
          <Path
            d={`M${x - 12},${y - 8} L${x - 12},${y + 8} L${x + 12},${y - 8} L${x + 12},${y + 8} Z`}
            fill={isOpen ? ink.card : edge}
            stroke={edge}
            strokeWidth={2.5}
            strokeLinejoin="round"
          />
        </G>
      )}
      <Text
        x={Math.max(x, (fitting.name.length * LETTER) / 2)}
        y={textY}
        fontSize={11}
        fontFamily={BODY}
        fill={ink.muted}
        textAnchor="middle"
      >
        {fitting.name}
      </Text>
      <Text
        x={x}
        y={textY + 13}
        fontSize={12}
        fontFamily={STRONG}
        fill={isMoved ? ink.brass : ink.color}
        textAnchor="middle"
      >
        {stateWord(state)}
      </Text>
    </G>
  );
}
