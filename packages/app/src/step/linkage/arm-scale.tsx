import type { RangeArm } from '@holvek/core';
import Svg, { Line, Path, Text } from 'react-native-svg';
import { useInk } from '@/ui/use-ink';

const WIDE = 64;
const HIGH = 132;
const TOP = 12;
const BOTTOM = 120;
const LETTERS = 'AtkinsonHyperlegibleNext_400Regular';

/** The scale of a range arm: where it stands, and where it is to be slid to. */
export function ArmScale({ arm, to }: { readonly arm: RangeArm; readonly to: number }) {
  const ink = useInk();
  const { least, most, at } = arm;
  const y = (figure: number) => BOTTOM - ((figure - least) / (most - least)) * (BOTTOM - TOP);
  const marks = Array.from({ length: 11 }, (_, i) => least + ((most - least) * i) / 10);
  return (
    <Svg width={WIDE} height={HIGH} viewBox={`0 0 ${WIDE} ${HIGH}`}>
      <Line x1={24} y1={TOP} x2={24} y2={BOTTOM} stroke={ink.color} strokeWidth={2} />
      {marks.map((figure, i) => (
        <Line
          key={figure}
          x1={24}
          x2={i % 5 === 0 ? 14 : 18}
          y1={y(figure)}
          y2={y(figure)}
          stroke={ink.color}
          strokeWidth={1.5}
        />
      ))}
      {[least, most].map((figure) => (
        <Text
          key={figure}
          x={11}
          y={y(figure) + 4}
          fontSize={12}
          fontFamily={LETTERS}
          fill={ink.muted}
          textAnchor="end"
        >
          {figure}
        </Text>
      ))}
      <Line x1={44} y1={y(at)} x2={44} y2={y(to)} stroke={ink.brass} strokeWidth={4} />
      <Path d={pointer(y(at))} fill={ink.card} stroke={ink.muted} strokeWidth={2} />
      <Path d={pointer(y(to))} fill={ink.brass} stroke={ink.brass} strokeWidth={2} />
    </Svg>
  );
}

/** A pointer at the scale, its tip at the mark. */
const pointer = (y: number): string => `M26,${y} l14,-7 v14 Z`;
