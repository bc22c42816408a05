import { useState } from 'react';
import Svg, { Circle, G, Line, Path, Rect, Text } from 'react-native-svg';
import { View } from '@/ui/kit';
import { useInk } from '@/ui/use-ink';
import { spanWords } from '@/words/aim-words';

const FIGURES = 'AtkinsonHyperlegibleMono_400Regular';
const LEFT = 58;

export type ChartPoint = {
  readonly at: number;
  readonly direction: 'up' | 'down';
  readonly error: number;
};
type Props = {
  readonly tolerance: number;
  /** The table that is being taken, or was left. */
  readonly points: readonly ChartPoint[];
  /** As it was found, behind it. */
  readonly found?: readonly ChartPoint[];
  /** What the low and the high end are called. */
  readonly ends: readonly [string, string];
  /** Input of the point that comes next. */
  readonly next?: number | undefined;
  readonly height?: number;
};

/** Error against input, in shares of span, with the tolerance behind it: solid going up, dotted coming down. */
export function PointChart({ tolerance, points, found = [], ends, next, height = 190 }: Props) {
  const [width, setWidth] = useState(320);
  const ink = useInk();
  const reach = Math.max(
    2 * tolerance,
    ...[...points, ...found].map(({ error }) => Math.abs(error) * 1.15),
  );
  const x = (at: number) => LEFT + (width - LEFT - 16) * at;
  const y = (error: number) => 8 + ((height - 36) * (reach - error)) / (2 * reach);
  const line = (all: readonly ChartPoint[], direction: 'up' | 'down') => {
    const own = all.filter((point) => point.direction === direction).sort((a, b) => a.at - b.at);
    // Both ways meet at the top, where the signal turns back.
    const top = direction === 'down' ? all.find((point) => point.at === 1) : undefined;
    return [...own, ...(top && own.length > 0 ? [top] : [])]
      .map((point, i) => `${i ? 'L' : 'M'}${x(point.at).toFixed(1)},${y(point.error).toFixed(1)}`)
      .join('');
  };
  // The tolerance is named only where its figures do not run into each other.
  const hasRoom = y(-tolerance) - y(tolerance) > 32;
  const outer = reach * 0.92;
  const marks = hasRoom
    ? [...(outer > 1.6 * tolerance ? [outer, -outer] : []), tolerance, 0, -tolerance]
    : [outer, 0, -outer];
  const worst = points.reduce((most, { error }) => Math.max(most, Math.abs(error)), 0);
  return (
    <View
      onLayout={({ nativeEvent }) => setWidth(Math.max(240, nativeEvent.layout.width))}
      role="img"
      aria-label={
        points.length === 0
          ? 'No point taken yet'
          : `${points.length} points, largest error ${spanWords(worst)} of span`
      }
      testID="point-chart"
    >
      <Svg width={width} height={height}>
        <Rect
          x={LEFT}
          width={width - LEFT - 16}
          y={y(tolerance)}
          height={y(-tolerance) - y(tolerance)}
          fill={ink.lane}
        />
        {marks.map((error) => (
          <Text
            key={error}
            x={LEFT - 8}
            y={y(error) + 4}
            fontSize={11}
            textAnchor="end"
            fontFamily={FIGURES}
            fill={ink.muted}
          >
            {error === 0 ? '0' : `${error > 0 ? '+' : ''}${spanWords(error)}`}
          </Text>
        ))}
        <Line
          x1={LEFT}
          x2={width - 16}
          y1={y(0)}
          y2={y(0)}
          stroke={ink.onLane}
          strokeDasharray="2 4"
        />
        {next === undefined ? null : (
          <Line
            x1={x(next)}
            x2={x(next)}
            y1={8}
            y2={height - 28}
            stroke={ink.brassMark}
            strokeWidth={2}
            strokeDasharray="3 4"
          />
        )}
        {found.length > 1 ? (
          <Path d={line(found, 'up')} stroke={ink.line} strokeWidth={3} fill="none" />
        ) : null}
        {found.length > 1 ? (
          <Text
            x={x(0) + 6}
            y={Math.min(
              height - 36,
              Math.max(18, y(found.find((point) => point.at === 0)?.error ?? 0) - 8),
            )}
            fontSize={11}
            fontFamily={FIGURES}
            fill={ink.muted}
          >
            as found
          </Text>
        ) : null}
        <Path
          d={line(points, 'up')}
          stroke={ink.color}
          strokeWidth={2.5}
          fill="none"
          strokeLinejoin="round"
        />
        <Path
          d={line(points, 'down')}
          stroke={ink.color}
          strokeWidth={2.5}
          fill="none"
          strokeDasharray="3 4"
        />
        {points.map(({ at, direction, error }, i) => (
          <G key={i}>
            <Circle
              cx={x(at)}
              cy={y(error)}
              r={direction === 'up' ? 5.5 : 4}
              fill={
                Math.abs(error) > tolerance
                  ? ink.vermilion
                  : direction === 'up'
                    ? ink.color
                    : ink.card
              }
              stroke={Math.abs(error) > tolerance ? ink.vermilion : ink.color}
              strokeWidth={2}
            />
          </G>
        ))}
        <Text x={LEFT} y={height - 8} fontSize={12} fontFamily={FIGURES} fill={ink.muted}>
          {ends[0]}
        </Text>
        <Text
          x={width - 16}
          y={height - 8}
          fontSize={12}
          fontFamily={FIGURES}
          fill={ink.muted}
          textAnchor="end"
        >
          {ends[1]}
        </Text>
      </Svg>
    </View>
  );
}
