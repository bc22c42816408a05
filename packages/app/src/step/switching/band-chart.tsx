import type { SwitchBand } from '@holvek/core';
import { useState } from 'react';
import Svg, { Circle, G, Line, Rect, Text } from 'react-native-svg';
import { View } from '@/ui/kit';
import { useUnits } from '@/units/use-units';
import { useInk } from '@/ui/use-ink';

const FIGURES = 'AtkinsonHyperlegibleMono_400Regular';

type Props = {
  readonly cycles: readonly SwitchBand[];
  readonly aim: { readonly band: SwitchBand; readonly tolerance: number };
  readonly live: number | undefined;
  readonly resolution: number | undefined;
  readonly height?: number;
};

/** The band a switch works in: each cycle a bar from cut-in up to cut-out, the wanted two lanes behind. */
export function BandChart({ cycles, aim, live, resolution, height = 190 }: Props) {
  const [width, setWidth] = useState(320);
  const units = useUnits();
  const ink = useInk();
  const { cutIn, cutOut } = aim.band;
  const shown = cycles.slice(-5);
  const all = [
    cutIn - 3 * aim.tolerance,
    cutOut + 3 * aim.tolerance,
    ...shown.flatMap((band) => [band.cutIn, band.cutOut]),
  ];
  const low = Math.min(...all);
  const high = Math.max(...all);
  const y = (pa: number) => 10 + ((height - 20) * (high - pa)) / (high - low);
  const column = (width - 70) / Math.max(3, shown.length);
  return (
    <View
      onLayout={({ nativeEvent }) => setWidth(Math.max(240, nativeEvent.layout.width))}
      role="img"
      aria-label={
        shown.length === 0
          ? 'No cycle yet'
          : shown
              .map(
                (band, i) =>
                  `cycle ${i + 1}: cut-in ${units.figure(band.cutIn, resolution)}, cut-out ${units.figure(band.cutOut, resolution)}`,
              )
              .join('; ')
      }
    >
      <Svg width={width} height={height}>
        {[
          { at: cutOut, word: 'cut-out' },
          { at: cutIn, word: 'cut-in' },
        ].map(({ at, word }) => (
          <G key={word}>
            <Rect
              x={0}
              width={width}
              y={y(at + aim.tolerance)}
              height={Math.max(4, y(at - aim.tolerance) - y(at + aim.tolerance))}
              fill={ink.lane}
            />
            <Text x={6} y={y(at) + 4} fontSize={12} fontFamily={FIGURES} fill={ink.onLane}>
              {`${word} ${units.figure(at, resolution)}`}
            </Text>
          </G>
        ))}
        {shown.map((band, i) => (
          <CycleBar key={i} x={width - 40 - column * (shown.length - 1 - i)} y={y} band={band} />
        ))}
        {live === undefined || live < low || live > high ? null : (
          <Circle cx={width - 12} cy={y(live)} r={6} fill={ink.slate} />
        )}
      </Svg>
    </View>
  );
}

function CycleBar({
  x,
  y,
  band: { cutIn, cutOut },
}: {
  readonly x: number;
  readonly y: (pa: number) => number;
  readonly band: SwitchBand;
}) {
  const ink = useInk();
  const across = (pa: number, stroke: string) => (
    <Line x1={x - 10} x2={x + 10} y1={y(pa)} y2={y(pa)} stroke={stroke} strokeWidth={3} />
  );
  return (
    <G>
      <Line x1={x} x2={x} y1={y(cutOut)} y2={y(cutIn)} stroke={ink.color} strokeWidth={5} />
      {across(cutOut, ink.color)}
      {across(cutIn, ink.brassMark)}
    </G>
  );
}
