import type { LoopPreview } from '@holvek/core';
import { useState } from 'react';
import Svg, { Line, Path, Text } from 'react-native-svg';
import { View } from '@/ui/kit';
import { useInk } from '@/ui/use-ink';

const FIGURES = 'AtkinsonHyperlegibleMono_400Regular';

type Props = {
  readonly step: number;
  /** As it is set now, pale, and as it is proposed. */
  readonly present?: LoopPreview | undefined;
  readonly proposed: LoopPreview;
  readonly height?: number;
};

/** A step of the set point answered by the fitted loop: present settings pale, proposed ones black. */
export function LoopChart({ step, present, proposed, height = 190 }: Props) {
  const [width, setWidth] = useState(320);
  const ink = useInk();
  const end = Math.max(proposed.samples.at(-1)!.t, 1);
  const top = topOf(proposed, present) * step;
  const x = (t: number) => 34 + ((width - 42) * t) / end;
  const y = (value: number) => 10 + ((height - 34) * (top - value)) / (top * 1.25);
  const path = ({ samples }: LoopPreview) =>
    samples
      .filter(({ t }) => t <= end)
      .map(
        ({ t, value }, i) =>
          `${i ? 'L' : 'M'}${x(t).toFixed(1)},${y(Math.max(-0.25 * top, Math.min(top, value))).toFixed(1)}`,
      )
      .join('');
  return (
    <View
      onLayout={({ nativeEvent }) => setWidth(Math.max(240, nativeEvent.layout.width))}
      role="img"
      aria-label={
        `Answer to a step: proposed settings overshoot ${Math.round(proposed.overshoot * 100)} %` +
        presentSay(present)
      }
      testID="loop-chart"
    >
      <Svg width={width} height={height}>
        <Line
          x1={34}
          x2={width - 8}
          y1={y(step)}
          y2={y(step)}
          stroke={ink.verdigris}
          strokeDasharray="6 4"
          strokeWidth={2}
        />
        <Line x1={34} x2={width - 8} y1={y(0)} y2={y(0)} stroke={ink.line} />
        <Text
          x={30}
          y={y(step) + 4}
          fontSize={11}
          fontFamily={FIGURES}
          fill={ink.muted}
          textAnchor="end"
        >
          {`${step}`}
        </Text>
        <Text
          x={30}
          y={y(0) + 4}
          fontSize={11}
          fontFamily={FIGURES}
          fill={ink.muted}
          textAnchor="end"
        >
          0
        </Text>
        {present ? (
          <Path d={path(present)} stroke={ink.brassMark} strokeWidth={2.5} fill="none" />
        ) : null}
        <Path d={path(proposed)} stroke={ink.color} strokeWidth={3} fill="none" />
        <Text
          x={width - 8}
          y={height - 6}
          fontSize={12}
          fontFamily={FIGURES}
          fill={ink.muted}
          textAnchor="end"
        >
          {`${Math.round(end)} s`}
        </Text>
        <Text x={34} y={height - 6} fontSize={12} fontFamily={FIGURES} fill={ink.muted}>
          {present ? 'black proposed, brass present' : 'set point dashed'}
        </Text>
      </Svg>
    </View>
  );
}

function presentSay(present: LoopPreview | undefined): string {
  if (!present) return '';
  return present.isStable
    ? `, present ones ${Math.round(present.overshoot * 100)} %`
    : ', present ones do not settle';
}

/** Top of the chart in steps: both answers with a little air, and never so much that a swing fills it. */
const topOf = (proposed: LoopPreview, present: LoopPreview | undefined): number =>
  Math.min(
    2.4,
    Math.max(1.2, 1.1 * (1 + proposed.overshoot), 1.1 * (1 + (present?.overshoot ?? 0))),
  );
