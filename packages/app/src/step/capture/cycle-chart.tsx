import type { CaptureCycle } from '@holvek/core';
import { useState } from 'react';
import Svg, { Circle, G, Line, Path, Rect, Text } from 'react-native-svg';
import { ClearText } from '../parts/clear-text';
import { View } from '@/ui/kit';
import { useUnits } from '@/units/use-units';
import { useInk } from '@/ui/use-ink';

const FIGURES = 'AtkinsonHyperlegibleMono_400Regular';
const STRONG = 'AtkinsonHyperlegibleNext_700Bold';

type Props = {
  readonly cycles: readonly CaptureCycle[];
  readonly lane: { readonly lower: number; readonly upper: number };
  readonly limit: number;
  /** Cycles that are wanted, so that those to come have their place. */
  readonly wanted?: number;
  readonly live?: number | undefined;
  readonly resolution?: number;
  readonly height?: number;
};

/**
 * Openings and shuttings side by side: a mark points down where the valve cracked, up where it shut
 * tight; the lane stands behind, the limit above.
 */
export function CycleChart({ cycles, lane, limit, wanted, live, resolution, height = 230 }: Props) {
  const [width, setWidth] = useState(320);
  const units = useUnits();
  const ink = useInk();
  const all = cycles.flatMap(({ cracked, fullFlow, reseated }) =>
    [cracked, fullFlow, reseated].filter((value) => value !== undefined),
  );
  const values = [...all, lane.lower, lane.upper, ...(live === undefined ? [] : [live])];
  const spread = Math.max(...values) - Math.min(...values);
  const low = Math.min(...values) - spread * 0.35;
  const high = Math.max(...values) + spread * 0.3;
  const floor = height - 24;
  const y = (pa: number) => 10 + ((floor - 10) * (high - pa)) / (high - low);
  const count = Math.max(wanted ?? 0, cycles.length, 1);
  const column = width / count;
  return (
    <View
      onLayout={({ nativeEvent }) => setWidth(Math.max(240, nativeEvent.layout.width))}
      role="img"
      aria-label={describe(cycles, (pa) => units.figure(pa, resolution))}
      testID="cycle-chart"
    >
      <Svg width={width} height={height}>
        <Rect
          x={0}
          width={width}
          y={y(lane.upper)}
          height={Math.max(4, y(lane.lower) - y(lane.upper))}
          fill={ink.lane}
        />
        {Math.abs(limit) < Math.abs(high) ? (
          <Line
            x1={0}
            x2={width}
            y1={y(limit)}
            y2={y(limit)}
            stroke={ink.vermilion}
            strokeWidth={2}
            strokeDasharray="6 4"
          />
        ) : null}
        <Columns count={count} column={column} floor={floor} height={height} />
        {cycles.map((cycle, i) => (
          <OneCycle
            key={cycle.cycle}
            cycle={cycle}
            left={i * column}
            width={column}
            y={y}
            floor={floor}
            resolution={resolution}
          />
        ))}
        <ClearText
          halo={ink.background}
          x={6}
          y={y(lane.upper) - 5}
          fontSize={12}
          fontFamily={STRONG}
          fill={ink.onLane}
        >
          {`lane ${units.figure(lane.lower, resolution)} to ${units.figure(lane.upper, resolution)}`}
        </ClearText>
        {live === undefined ? null : (
          <Circle
            cx={Math.min(cycles.length, count) * column - column * 0.1}
            cy={y(live)}
            r={6}
            fill={ink.slate}
          />
        )}
      </Svg>
    </View>
  );
}

function Columns({
  count,
  column,
  floor,
  height,
}: {
  readonly count: number;
  readonly column: number;
  readonly floor: number;
  readonly height: number;
}) {
  const ink = useInk();
  return Array.from({ length: count }, (_, i) => (
    <G key={i}>
      {i > 0 ? <Line x1={i * column} x2={i * column} y1={10} y2={floor} stroke={ink.line} /> : null}
      <Text
        x={(i + 0.5) * column}
        y={height - 6}
        fontSize={12}
        fill={ink.muted}
        textAnchor="middle"
        fontFamily={FIGURES}
      >
        {`cycle ${i + 1}`}
      </Text>
    </G>
  ));
}

function OneCycle({
  cycle: { cracked, fullFlow, reseated },
  left,
  width,
  y,
  floor,
  resolution,
}: {
  readonly cycle: CaptureCycle;
  readonly left: number;
  readonly width: number;
  readonly y: (pa: number) => number;
  readonly floor: number;
  readonly resolution: number | undefined;
}) {
  const units = useUnits();
  const ink = useInk();
  const at = (share: number) => left + width * share;
  const points: readonly (readonly [number, number])[] = [
    [at(0.06), floor],
    ...(cracked === undefined ? [] : [[at(0.34), y(cracked)] as const]),
    ...(fullFlow === undefined ? [] : [[at(0.5), y(fullFlow)] as const]),
    ...(reseated === undefined
      ? []
      : [[at(0.72), y(reseated)] as const, [at(0.92), floor] as const]),
  ];
  const path = points
    .map(([px, py], i) => `${i ? 'L' : 'M'}${px.toFixed(1)},${py.toFixed(1)}`)
    .join('');
  const triangle = (cx: number, cy: number, way: 1 | -1) =>
    `M${cx - 7},${cy - 12 * way} L${cx + 7},${cy - 12 * way} L${cx},${cy - 1 * way} Z`;
  return (
    <G>
      <Path d={path} stroke={ink.color} strokeWidth={2.5} fill="none" strokeLinejoin="round" />
      {cracked === undefined ? null : (
        <G>
          <Path d={triangle(at(0.34), y(cracked), 1)} fill={ink.verdigris} />
          <ClearText
            halo={ink.background}
            x={at(0.3)}
            y={y(cracked) + 18}
            fontSize={12}
            fontFamily={STRONG}
            fill={ink.color}
            textAnchor="end"
          >
            {units.figure(cracked, resolution)}
          </ClearText>
        </G>
      )}
      {reseated === undefined ? null : (
        <G>
          <Path d={triangle(at(0.72), y(reseated), -1)} fill={ink.brassMark} />
          <ClearText
            halo={ink.background}
            x={at(0.72)}
            y={y(reseated) + 28}
            fontSize={12}
            fontFamily={STRONG}
            fill={ink.brass}
            textAnchor="middle"
          >
            {units.figure(reseated, resolution)}
          </ClearText>
        </G>
      )}
    </G>
  );
}

const describe = (cycles: readonly CaptureCycle[], figure: (pa: number) => string): string =>
  cycles.length === 0
    ? 'No cycle marked yet'
    : cycles
        .map(
          ({ cycle, cracked, reseated }) =>
            `cycle ${cycle}: cracked ${cracked === undefined ? 'not yet' : figure(cracked)}, ` +
            `tight ${reseated === undefined ? 'not yet' : figure(reseated)}`,
        )
        .join('; ');
