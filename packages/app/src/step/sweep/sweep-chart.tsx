import { SWEEP_GAINS } from '@holvek/core';
import { useState } from 'react';
import Svg, { Circle, Line, Path, Rect, Text } from 'react-native-svg';
import { View } from '@/ui/kit';
import { useUnits } from '@/units/use-units';
import { useInk } from '@/ui/use-ink';

const FIGURES = 'AtkinsonHyperlegibleMono_400Regular';
const HEIGHT = 190;

type Props = {
  readonly bands: readonly { readonly gain: number; readonly output: number }[];
  /** Pa that the output may move either way. */
  readonly tolerance: number;
  readonly middle: number;
  readonly next: number | undefined;
};

/** Output against the band, narrow reverse at the left, narrow direct at the right: flat is aligned. */
export function SweepChart({ bands, tolerance, middle, next }: Props) {
  const [width, setWidth] = useState(320);
  const units = useUnits();
  const ink = useInk();
  const sorted = [...bands].sort((a, b) => a.gain - b.gain);
  const centre =
    sorted.length > 0
      ? sorted.reduce((sum, { output }) => sum + output, 0) / sorted.length
      : middle;
  const reach = Math.max(
    2.2 * tolerance,
    ...sorted.map(({ output }) => 1.15 * Math.abs(output - centre)),
  );
  const place = (gain: number) => SWEEP_GAINS.findIndex((each) => each === gain);
  const x = (gain: number) => 30 + ((width - 60) * place(gain)) / (SWEEP_GAINS.length - 1);
  const y = (pa: number) => 14 + ((HEIGHT - 48) * (centre + reach - pa)) / (2 * reach);
  return (
    <View
      onLayout={({ nativeEvent }) => setWidth(Math.max(240, nativeEvent.layout.width))}
      role="img"
      aria-label={describe(sorted, (pa) => units.figure(pa, 100))}
      testID="sweep-chart"
    >
      <Svg width={width} height={HEIGHT}>
        <Rect
          x={0}
          width={width}
          y={y(centre + tolerance)}
          height={y(centre - tolerance) - y(centre + tolerance)}
          fill={ink.lane}
        />
        <Line x1={width / 2} x2={width / 2} y1={8} y2={HEIGHT - 34} stroke={ink.line} />
        {next === undefined ? null : (
          <Line
            x1={x(next)}
            x2={x(next)}
            y1={8}
            y2={HEIGHT - 34}
            stroke={ink.brassMark}
            strokeWidth={2}
            strokeDasharray="3 4"
          />
        )}
        <Path
          d={sorted
            .map(
              ({ gain, output }, i) =>
                `${i ? 'L' : 'M'}${x(gain).toFixed(1)},${y(output).toFixed(1)}`,
            )
            .join('')}
          stroke={ink.color}
          strokeWidth={2.5}
          fill="none"
        />
        {sorted.map(({ gain, output }) => (
          <Circle
            key={gain}
            cx={x(gain)}
            cy={y(output)}
            r={6}
            fill={Math.abs(output - centre) > tolerance ? ink.vermilion : ink.color}
          />
        ))}
        <BandNames x={x} width={width} />
      </Svg>
    </View>
  );
}

/** The widths of the bands, the narrow ones at the ends. */
function BandNames({ x, width }: { readonly x: (gain: number) => number; readonly width: number }) {
  const ink = useInk();
  return (
    <>
      {SWEEP_GAINS.map((gain) => (
        <Text
          key={gain}
          x={x(gain)}
          y={HEIGHT - 18}
          fontSize={11}
          fontFamily={FIGURES}
          fill={ink.muted}
          textAnchor="middle"
        >
          {`${Math.round(100 / Math.abs(gain))} %`}
        </Text>
      ))}
      <Text x={4} y={HEIGHT - 3} fontSize={11} fontFamily={FIGURES} fill={ink.muted}>
        reverse
      </Text>
      <Text
        x={width - 4}
        y={HEIGHT - 3}
        fontSize={11}
        fontFamily={FIGURES}
        fill={ink.muted}
        textAnchor="end"
      >
        direct
      </Text>
    </>
  );
}

const describe = (bands: Props['bands'], figure: (pa: number) => string): string =>
  bands.length === 0
    ? 'No band taken yet'
    : bands
        .map(
          ({ gain, output }) =>
            `${gain < 0 ? 'reverse' : 'direct'} ${Math.round(100 / Math.abs(gain))} %: ${figure(output)}`,
        )
        .join('; ');
