import { useState } from 'react';
import Svg, { Circle, G, Line, Path, Rect, Text } from 'react-native-svg';
import { View } from '@/ui/kit';
import { useInk } from '@/ui/use-ink';
import { spanWords } from '@/words/aim-words';

const FIGURES = 'AtkinsonHyperlegibleMono_400Regular';
const LEFT = 58;
const RIGHT = 16;

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
  const plan = planOf([...points, ...found], { tolerance, width, height });
  const { x, y } = plan;
  return (
    <View
      onLayout={({ nativeEvent }) => setWidth(Math.max(240, nativeEvent.layout.width))}
      role="img"
      aria-label={describe(points)}
      testID="point-chart"
    >
      <Svg width={width} height={height}>
        <Tolerance tolerance={tolerance} plan={plan} />
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
        {found.length > 1 ? <AsFound found={found} plan={plan} /> : null}
        <Path
          d={lineOf(points, 'up', plan)}
          stroke={ink.color}
          strokeWidth={2.5}
          fill="none"
          strokeLinejoin="round"
        />
        <Path
          d={lineOf(points, 'down', plan)}
          stroke={ink.color}
          strokeWidth={2.5}
          fill="none"
          strokeDasharray="3 4"
        />
        {points.map(({ at, direction, error }, i) => {
          const isOut = Math.abs(error) > tolerance;
          const within = direction === 'up' ? ink.color : ink.card;
          return (
            <Circle
              key={i}
              cx={x(at)}
              cy={y(error)}
              r={direction === 'up' ? 5.5 : 4}
              fill={isOut ? ink.vermilion : within}
              stroke={isOut ? ink.vermilion : ink.color}
              strokeWidth={2}
            />
          );
        })}
        <Text x={LEFT} y={height - 8} fontSize={12} fontFamily={FIGURES} fill={ink.muted}>
          {ends[0]}
        </Text>
        <Text
          x={width - RIGHT}
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

/** Where a point stands: its input across, its error up and down from the middle. */
function planOf(
  all: readonly ChartPoint[],
  {
    tolerance,
    width,
    height,
  }: { readonly tolerance: number; readonly width: number; readonly height: number },
) {
  const reach = Math.max(2 * tolerance, ...all.map(({ error }) => Math.abs(error) * 1.15));
  return {
    width,
    height,
    reach,
    x: (at: number) => LEFT + (width - LEFT - RIGHT) * at,
    y: (error: number) => 8 + ((height - 36) * (reach - error)) / (2 * reach),
  };
}

type Plan = ReturnType<typeof planOf>;

/** The points of one way, in the order of their input. */
function lineOf(all: readonly ChartPoint[], direction: 'up' | 'down', { x, y }: Plan): string {
  const own = all.filter((point) => point.direction === direction).sort((a, b) => a.at - b.at);
  // Both ways meet at the top, where the signal turns back.
  const top = direction === 'down' ? all.find((point) => point.at === 1) : undefined;
  return [...own, ...(top && own.length > 0 ? [top] : [])]
    .map((point, i) => `${i ? 'L' : 'M'}${x(point.at).toFixed(1)},${y(point.error).toFixed(1)}`)
    .join('');
}

/** The band that an error may lie in, its figures beside it. */
function Tolerance({ tolerance, plan }: { readonly tolerance: number; readonly plan: Plan }) {
  const ink = useInk();
  const { width, reach, y } = plan;
  // The tolerance is named only where its figures do not run into each other.
  const hasRoom = y(-tolerance) - y(tolerance) > 32;
  const outer = reach * 0.92;
  const marks = hasRoom
    ? [...(outer > 1.6 * tolerance ? [outer, -outer] : []), tolerance, 0, -tolerance]
    : [outer, 0, -outer];
  return (
    <G>
      <Rect
        x={LEFT}
        width={width - LEFT - RIGHT}
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
        x2={width - RIGHT}
        y1={y(0)}
        y2={y(0)}
        stroke={ink.onLane}
        strokeDasharray="2 4"
      />
    </G>
  );
}

function AsFound({ found, plan }: { readonly found: readonly ChartPoint[]; readonly plan: Plan }) {
  const ink = useInk();
  const { height, x, y } = plan;
  const above = y(found.find((point) => point.at === 0)?.error ?? 0) - 8;
  return (
    <G>
      <Path d={lineOf(found, 'up', plan)} stroke={ink.line} strokeWidth={3} fill="none" />
      <Text
        x={x(0) + 6}
        y={Math.min(height - 36, Math.max(18, above))}
        fontSize={11}
        fontFamily={FIGURES}
        fill={ink.muted}
      >
        as found
      </Text>
    </G>
  );
}

function describe(points: readonly ChartPoint[]): string {
  if (points.length === 0) return 'No point taken yet';
  const worst = points.reduce((most, { error }) => Math.max(most, Math.abs(error)), 0);
  return `${points.length} points, largest error ${spanWords(worst)} of span`;
}
