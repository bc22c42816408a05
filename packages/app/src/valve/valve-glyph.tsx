import Svg, { Circle, Line, Path } from 'react-native-svg';
import { useInk } from '@/theme/use-ink';

/** A reducing valve on its line: body, diaphragm, and the sensing line from downstream. */
export function ValveGlyph() {
  const ink = useInk();
  return (
    <Svg width={112} height={72} aria-hidden>
      <Line x1={2} x2={110} y1={50} y2={50} stroke={ink.color} strokeWidth={3} />
      <Path
        d="M34,36 L34,64 L78,36 L78,64 Z"
        fill={ink.lane}
        stroke={ink.color}
        strokeWidth={3}
        strokeLinejoin="round"
      />
      <Line x1={56} x2={56} y1={50} y2={24} stroke={ink.color} strokeWidth={3} />
      <Path d="M40,24 A16,16 0 0 1 72,24 Z" fill={ink.brassSoft} stroke={ink.color} strokeWidth={3} />
      <Path d="M72,18 L98,18 L98,48" fill="none" stroke={ink.color} strokeWidth={2} strokeDasharray="4 4" />
      <Circle cx={98} cy={50} r={3.5} fill={ink.color} />
    </Svg>
  );
}
