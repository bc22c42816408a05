import type { Sample } from '@holvek/core';
import { useState } from 'react';
import Svg, { Circle, G, Line, Path, Rect, Text } from 'react-native-svg';
import { traceBand, type Bucket } from './trace-band';
import { View } from '@/ui/kit';
import { useUnits, type Units } from '@/units/use-units';
import { useInk } from '@/ui/use-ink';

type Props = {
  readonly samples: readonly Sample[];
  readonly lane?: { readonly lower: number; readonly upper: number };
  /** Of its end, or all of it. */
  readonly seconds?: number | 'all';
  /** The part that counts, s. */
  readonly window?: { readonly from: number; readonly to: number };
  readonly height?: number;
  readonly dots?: boolean;
  readonly label: string;
};

/** px of a trace that are drawn as one where it is dense. */
const BUCKET = 4;

type Place = (value: number) => number;
const lineOf = (samples: readonly Sample[], x: Place, y: Place): string =>
  samples
    .map(({ t, value }, i) => `${i ? 'L' : 'M'}${x(t).toFixed(1)},${y(value).toFixed(1)}`)
    .join('');

/** Along the highest of each bucket, and back along the lowest. */
const outlineOf = (band: readonly Bucket[], x: Place, y: Place): string =>
  `${lineOf(
    [
      ...band.map(({ t, high }) => ({ t, value: high })),
      ...[...band].reverse().map(({ t, low }) => ({ t, value: low })),
    ],
    x,
    y,
  )}Z`;

/** What a trace shows, in a sentence. */
function sayTrace(samples: readonly Sample[], units: Units): string {
  const values = samples.map(({ value }) => value);
  const now = values.at(-1);
  if (now === undefined) return 'nothing yet';
  const [low, high] = [Math.min(...values), Math.max(...values)];
  return `between ${units.figure(low)} and ${units.withUnit(high)}, now ${units.withUnit(now)}`;
}

/** The trace itself: a line through the samples, or through the middle of what is too dense for one. */
function TraceLine({
  samples,
  band,
  x,
  y,
}: {
  readonly samples: readonly Sample[];
  readonly band: readonly Bucket[] | undefined;
  readonly x: Place;
  readonly y: Place;
}) {
  const ink = useInk();
  const drawn = band ? band.map(({ t, mean }) => ({ t, value: mean })) : samples;
  if (drawn.length < 2) return null;
  return (
    <G>
      {band ? <Path d={outlineOf(band, x, y)} fill={ink.color} opacity={0.22} /> : null}
      <Path
        d={lineOf(drawn, x, y)}
        stroke={ink.color}
        strokeWidth={2.5}
        fill="none"
        strokeLinejoin="round"
      />
    </G>
  );
}

/** The part of a trace that counts, as far as there is a trace. */
function Window({
  from,
  to,
  first,
  last,
  x,
  height,
}: {
  readonly from: number;
  readonly to: number;
  readonly first: number;
  readonly last: number;
  readonly x: Place;
  readonly height: number;
}) {
  const ink = useInk();
  const [left, right] = [x(Math.max(first, from)), x(Math.min(last, to))];
  return (
    <Rect
      testID="trace-window"
      x={left}
      y={0}
      width={Math.max(2, right - left)}
      height={height}
      fill={ink.lane}
    />
  );
}

/** The samples of so many seconds before the end, and when they begin to be drawn. */
function inSight(samples: readonly Sample[], seconds: number | 'all', fromFirst: boolean) {
  const end = samples.at(-1)?.t ?? 0;
  const reach = seconds === 'all' ? Infinity : seconds;
  const seen = samples.filter(({ t }) => t >= end - reach);
  const start = fromFirst || reach === Infinity ? (seen[0]?.t ?? 0) : end - reach;
  return { seen, start, end };
}

/** Pressure over the last minutes, with the lane behind it. */
export function TraceChart({
  samples,
  lane,
  seconds = 240,
  height = 120,
  dots = false,
  label,
  window,
}: Props) {
  const [width, setWidth] = useState(260);
  const units = useUnits();
  const ink = useInk();
  const { seen, start, end } = inSight(samples, seconds, dots);
  const values = [...seen.map(({ value }) => value), ...(lane ? [lane.lower, lane.upper] : [])];
  const low = Math.min(...values);
  const high = Math.max(...values);
  const says = `${label}: ${sayTrace(seen, units)}`;
  const room = Math.max((high - low) * 0.12, 2000);
  const span = Math.max(1, end - start);
  const x = (t: number) => 4 + ((width - 8) * (t - start)) / span;
  const y = (value: number) =>
    height - 6 - ((height - 12) * (value - low + room)) / (high - low + 2 * room);
  const band = dots ? undefined : traceBand(seen, (span / width) * BUCKET);
  return (
    <View
      onLayout={({ nativeEvent }) => setWidth(Math.max(160, nativeEvent.layout.width))}
      role="img"
      aria-label={says}
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
        {window ? <Window {...window} first={start} last={end} x={x} height={height} /> : null}
        <Line x1={0} x2={width} y1={height - 1} y2={height - 1} stroke={ink.line} />
        <TraceLine samples={seen} band={band} x={x} y={y} />
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
