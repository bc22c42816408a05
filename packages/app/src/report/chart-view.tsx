import { pathOf, type Band, type Chart, type Dot, type Tone } from '@holvek/core';
import { useState } from 'react';
import Svg, { Circle, G, Line, Path, Rect, Text } from 'react-native-svg';
import { View } from '@/ui/kit';
import { useInk, type Ink } from '@/ui/use-ink';

/** Room for the words on the axes, px. */
const AXIS = { left: 52, bottom: 20 };
/** Height of a chart on a phone; a wider one grows no taller than this. */
const LOWEST = 120;
const TALLEST = 300;

type Box = { readonly width: number; readonly height: number };

/** A chart of a report from its geometry, as wide as there is room. */
export function ChartView({ chart }: { readonly chart: Chart }) {
  const [width, setWidth] = useState(0);
  const ink = useInk();
  const height = Math.max(LOWEST, Math.min(TALLEST, width * chart.aspect * 1.2));
  const left = chart.yTicks.length > 0 ? AXIS.left : 8;
  const plot: Box = { width: Math.max(0, width - left - 8), height: height - AXIS.bottom };
  return (
    <View
      role="img"
      aria-label={chart.says}
      onLayout={({ nativeEvent }) => setWidth(Math.round(nativeEvent.layout.width))}
    >
      {width > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          <G x={left}>
            {chart.bands.map((band) => (
              <BandMark
                key={`${band.along}${band.from}${band.tone}`}
                band={band}
                plot={plot}
                ink={ink}
              />
            ))}
            <Axes chart={chart} plot={plot} ink={ink} />
            {chart.curves.map(({ points, tone, isDashed }, i) => (
              <Path
                key={i}
                d={pathOf({ points }, plot)}
                fill="none"
                stroke={toneInk(ink, tone)}
                strokeWidth={2.5}
                strokeLinejoin="round"
                {...(isDashed ? { strokeDasharray: '5 4' } : {})}
              />
            ))}
            {chart.dots.map((dot, i) => (
              <DotMark key={i} dot={dot} plot={plot} ink={ink} />
            ))}
          </G>
        </Svg>
      ) : null}
    </View>
  );
}

type Part = { readonly plot: Box; readonly ink: Ink };

/** A stretch that is meant or forbidden. */
function BandMark({
  band: { along, from, to, tone, say },
  plot,
  ink,
}: Part & { readonly band: Band }) {
  const [low, high] = [Math.min(from, to), Math.max(from, to)];
  const isUpright = along === 'x';
  const x = isUpright ? low * plot.width : 0;
  const y = isUpright ? 0 : low * plot.height;
  const width = isUpright ? (high - low) * plot.width : plot.width;
  const height = isUpright ? plot.height : (high - low) * plot.height;
  const isNarrow = isUpright && width < 24;
  return (
    <>
      <Rect x={x} y={y} width={width} height={height} fill={toneFill(ink, tone)} />
      {say ? (
        <Text
          x={isNarrow ? x - 3 : x + 4}
          y={y + 13}
          fontSize={12}
          textAnchor={isNarrow ? 'end' : 'start'}
          fill={toneInk(ink, tone)}
        >
          {say}
        </Text>
      ) : null}
    </>
  );
}

function Axes({ chart: { xTicks, yTicks }, plot, ink }: Part & { readonly chart: Chart }) {
  return (
    <>
      <Line
        x1={0}
        x2={plot.width}
        y1={plot.height}
        y2={plot.height}
        stroke={ink.line}
        strokeWidth={1.5}
      />
      {xTicks.map(({ at, say }, i) => (
        <Text
          key={say}
          x={at * plot.width}
          y={plot.height + 15}
          fontSize={12}
          fill={ink.muted}
          textAnchor={i === 0 && at < 0.08 ? 'start' : at > 0.92 ? 'end' : 'middle'}
        >
          {say}
        </Text>
      ))}
      {yTicks.map(({ at, say }) => (
        <Text
          key={say}
          x={-6}
          y={at * plot.height + 4}
          fontSize={12}
          fill={ink.muted}
          textAnchor="end"
        >
          {say}
        </Text>
      ))}
    </>
  );
}

function DotMark({
  dot: { x, y, tone, shape, say, sayAbove },
  plot,
  ink,
}: Part & { readonly dot: Dot }) {
  const [cx, cy] = [x * plot.width, y * plot.height];
  const colour = toneInk(ink, tone);
  const isRight = x > 0.66;
  return (
    <>
      {shape === 'round' ? <Circle cx={cx} cy={cy} r={5} fill={colour} /> : null}
      {shape === 'ring' ? (
        <Circle cx={cx} cy={cy} r={5} fill={ink.card} stroke={colour} strokeWidth={2.5} />
      ) : null}
      {shape === 'up' ? <Path d={`M${cx - 6},${cy + 6} h12 l-6,-12 Z`} fill={colour} /> : null}
      {shape === 'down' ? <Path d={`M${cx - 6},${cy - 6} h12 l-6,12 Z`} fill={colour} /> : null}
      {say ? (
        <Text
          x={isRight ? cx - 9 : cx + 9}
          y={sayAbove ? cy - 9 : cy + 4}
          fontSize={12}
          fontWeight="700"
          fill={ink.color}
          textAnchor={isRight ? 'end' : 'start'}
        >
          {say}
        </Text>
      ) : null}
    </>
  );
}

const toneInk = (ink: Ink, tone: Tone): string =>
  ({
    good: ink.verdigrisDeep,
    work: ink.brass,
    stop: ink.vermilion,
    quiet: ink.muted,
    plain: ink.color,
  })[tone];

const toneFill = (ink: Ink, tone: Tone): string =>
  ({
    good: ink.lane,
    work: ink.brassSoft,
    stop: ink.vermilionSoft,
    quiet: ink.line,
    plain: ink.line,
  })[tone];
