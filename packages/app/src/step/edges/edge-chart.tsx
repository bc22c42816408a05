import type { LightsView, TriedLight } from '@holvek/core';
import { useState } from 'react';
import Svg, { Circle, Line, Path, Rect, Text } from 'react-native-svg';
import { View } from '@/ui/kit';
import { useUnits } from '@/units/use-units';
import { useInk } from '@/ui/use-ink';

const FIGURES = 'AtkinsonHyperlegibleMono_400Regular';
const HEIGHT = 118;

type Props = {
  readonly view: Pick<LightsView, 'search' | 'middle' | 'lowest' | 'highest'>;
  readonly lights: readonly Pick<TriedLight, 'pressure' | 'lit' | 'weak'>[];
  readonly maker: { readonly low: number; readonly high: number };
  readonly now: number | undefined;
};

/** Pressures along a line: a flame where it lit, a cross where it failed, the maker's range under them. */
export function EdgeChart({ view, lights, maker, now }: Props) {
  const [width, setWidth] = useState(320);
  const units = useUnits();
  const ink = useInk();
  const { search, middle, lowest, highest } = view;
  const x = (pa: number) => 12 + ((width - 24) * (pa - lowest)) / (highest - lowest);
  const flame = (cx: number) =>
    `M${cx},22 C${cx + 9},34 ${cx + 8},46 ${cx},48 C${cx - 8},46 ${cx - 9},34 ${cx},22 Z`;
  return (
    <View
      onLayout={({ nativeEvent }) => setWidth(Math.max(240, nativeEvent.layout.width))}
      role="img"
      aria-label={
        `${lights.filter(({ lit }) => lit).length} lit, ` +
        `${lights.filter(({ lit }) => !lit).length} failed` +
        (search.low.at === undefined ? '' : `, low edge ${units.figure(search.low.at)}`) +
        (search.high.at === undefined ? '' : `, high edge ${units.figure(search.high.at)}`)
      }
      testID="edge-chart"
    >
      <Svg width={width} height={HEIGHT}>
        {search.low.lit !== undefined && search.high.lit !== undefined ? (
          <Rect
            x={x(search.low.lit)}
            width={Math.max(2, x(search.high.lit) - x(search.low.lit))}
            y={12}
            height={46}
            fill={ink.lane}
            rx={6}
          />
        ) : null}
        <Line x1={12} x2={width - 12} y1={58} y2={58} stroke={ink.color} strokeWidth={2} />
        {lights.map(({ pressure, lit, weak }, i) =>
          lit ? (
            <Path
              key={i}
              d={flame(x(pressure))}
              fill={weak ? ink.card : ink.brassMark}
              stroke={ink.brass}
              strokeWidth={2}
            />
          ) : (
            <Path
              key={i}
              d={`M${x(pressure) - 6},32 L${x(pressure) + 6},46 M${x(pressure) + 6},32 L${x(pressure) - 6},46`}
              stroke={ink.vermilion}
              strokeWidth={3}
            />
          ),
        )}
        <Line
          x1={x(maker.low)}
          x2={x(maker.high)}
          y1={72}
          y2={72}
          stroke={ink.slate}
          strokeWidth={6}
          strokeLinecap="round"
        />
        <Text
          x={x((maker.low + maker.high) / 2)}
          y={90}
          fontSize={12}
          fontFamily={FIGURES}
          fill={ink.slate}
          textAnchor="middle"
        >
          {`maker ${units.figure(maker.low)} to ${units.figure(maker.high)}`}
        </Text>
        {search.next ? (
          <Line
            x1={x(search.next.pressure)}
            x2={x(search.next.pressure)}
            y1={8}
            y2={64}
            stroke={ink.brassMark}
            strokeWidth={2}
            strokeDasharray="3 4"
          />
        ) : null}
        {middle.ok ? (
          <Line
            x1={x(middle.value.pressure)}
            x2={x(middle.value.pressure)}
            y1={8}
            y2={64}
            stroke={ink.verdigris}
            strokeWidth={3}
          />
        ) : null}
        {now === undefined || now < lowest || now > highest ? null : (
          <Circle cx={x(now)} cy={58} r={7} fill={ink.slate} />
        )}
        <Text x={12} y={HEIGHT - 6} fontSize={12} fontFamily={FIGURES} fill={ink.muted}>
          {units.figure(lowest)}
        </Text>
        <Text
          x={width - 12}
          y={HEIGHT - 6}
          fontSize={12}
          fontFamily={FIGURES}
          fill={ink.muted}
          textAnchor="end"
        >
          {units.withUnit(highest)}
        </Text>
      </Svg>
    </View>
  );
}
