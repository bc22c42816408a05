import type { LightsView, TriedLight } from '@holvek/core';
import { useState } from 'react';
import Svg, { Circle, Line, Path, Rect, Text, type LineProps } from 'react-native-svg';
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
  return (
    <View
      onLayout={({ nativeEvent }) => setWidth(Math.max(240, nativeEvent.layout.width))}
      role="img"
      aria-label={describe(lights, search, units.figure)}
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
        {lights.map((light, i) => (
          <Tried key={i} light={light} at={x(light.pressure)} />
        ))}
        <Makers maker={maker} x={x} />
        {search.next ? (
          <Upright
            at={x(search.next.pressure)}
            stroke={ink.brassMark}
            strokeWidth={2}
            strokeDasharray="3 4"
          />
        ) : null}
        {middle.ok ? (
          <Upright at={x(middle.value.pressure)} stroke={ink.verdigris} strokeWidth={3} />
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

const flame = (cx: number) =>
  `M${cx},22 C${cx + 9},34 ${cx + 8},46 ${cx},48 C${cx - 8},46 ${cx - 9},34 ${cx},22 Z`;

function Tried({
  light: { lit, weak },
  at,
}: {
  readonly light: Props['lights'][number];
  readonly at: number;
}) {
  const ink = useInk();
  if (lit)
    return (
      <Path
        d={flame(at)}
        fill={weak ? ink.card : ink.brassMark}
        stroke={ink.brass}
        strokeWidth={2}
      />
    );
  return (
    <Path
      d={`M${at - 6},32 L${at + 6},46 M${at + 6},32 L${at - 6},46`}
      stroke={ink.vermilion}
      strokeWidth={3}
    />
  );
}

/** The range that the maker gives. */
function Makers({
  maker: { low, high },
  x,
}: Pick<Props, 'maker'> & { readonly x: (pa: number) => number }) {
  const units = useUnits();
  const ink = useInk();
  return (
    <>
      <Line
        x1={x(low)}
        x2={x(high)}
        y1={72}
        y2={72}
        stroke={ink.slate}
        strokeWidth={6}
        strokeLinecap="round"
      />
      <Text
        x={x((low + high) / 2)}
        y={90}
        fontSize={12}
        fontFamily={FIGURES}
        fill={ink.slate}
        textAnchor="middle"
      >
        {`maker ${units.figure(low)} to ${units.figure(high)}`}
      </Text>
    </>
  );
}

const Upright = ({ at, ...line }: LineProps & { readonly at: number }) => (
  <Line x1={at} x2={at} y1={8} y2={64} {...line} />
);

const describe = (
  lights: Props['lights'],
  { low, high }: Props['view']['search'],
  figure: (pa: number) => string,
): string =>
  `${lights.filter(({ lit }) => lit).length} lit, ` +
  `${lights.filter(({ lit }) => !lit).length} failed` +
  (low.at === undefined ? '' : `, low edge ${figure(low.at)}`) +
  (high.at === undefined ? '' : `, high edge ${figure(high.at)}`);
