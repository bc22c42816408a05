import type { Sample } from '@holvek/core';
import { useState } from 'react';
import Svg, { Circle, Line, Path, Rect, Text } from 'react-native-svg';
import { View } from '@/ui/kit';
import { useUnits } from '@/settings/use-units';
import { useInk } from '@/theme/use-ink';

type Props = {
  readonly samples: readonly Sample[];
  readonly lane?: { readonly lower: number; readonly upper: number };
  readonly seconds?: number;
  readonly height?: number;
  readonly dots?: boolean;
  readonly label: string;
};

/** Pressure over the last minutes, with the lane behind it. */
export function TraceChart({
  samples,
  lane,
  seconds = 240,
  height = 120,
  dots = false,
  label,
}: Props) {
  const [width, setWidth] = useState(260);
  const units = useUnits();
  const ink = useInk();
  const end = samples.at(-1)?.t ?? 0;
  const seen = samples.filter(({ t }) => t >= end - seconds);
  const values = [...seen.map(({ value }) => value), ...(lane ? [lane.lower, lane.upper] : [])];
  const low = Math.min(...values);
  const high = Math.max(...values);
  const room = Math.max((high - low) * 0.12, 2000);
  const start = dots ? (seen[0]?.t ?? 0) : end - seconds;
  const span = dots ? Math.max(1, end - start) : seconds;
  const x = (t: number) => 4 + ((width - 8) * (t - start)) / span;
  const y = (value: number) =>
    height - 6 - ((height - 12) * (value - low + room)) / (high - low + 2 * room);
  const path = seen
    .map(({ t, value }, i) => `${i ? 'L' : 'M'}${x(t).toFixed(1)},${y(value).toFixed(1)}`)
    .join('');
  return (
    <View
      onLayout={({ nativeEvent }) => setWidth(Math.max(160, nativeEvent.layout.width))}
      role="img"
      aria-label={label}
    >
      <Svg width={width} height={height}>
        {lane ? (
          <Rect
            x={0}
            y={y(lane.upper)}
            width={width}
            height={Math.max(3, y(lane.lower) - y(lane.upper))}
            fill={ink.lane}
          />
        ) : null}
        <Line x1={0} x2={width} y1={height - 1} y2={height - 1} stroke={ink.line} />
        {seen.length > 1 ? (
          <Path d={path} stroke={ink.color} strokeWidth={2.5} fill="none" strokeLinejoin="round" />
        ) : null}
        {dots
          ? seen.map(({ t, value }) => (
              <Circle key={t} cx={x(t)} cy={y(value)} r={4.5} fill={ink.color} />
            ))
          : null}
        {seen.length > 0 ? (
          <Text
            x={4}
            y={14}
            fontSize={12}
            fill={ink.muted}
            fontFamily="AtkinsonHyperlegibleMono_400Regular"
          >
            {units.withUnit(high)}
          </Text>
        ) : null}
      </Svg>
    </View>
  );
}
