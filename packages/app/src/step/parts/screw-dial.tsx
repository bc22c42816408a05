import Svg, { Circle, G, Line, Path } from 'react-native-svg';
import { useInk } from '@/ui/use-ink';
import { TurnArrow } from './turn-arrow';

const TAU = Math.PI * 2;
const EIGHTHS = Array.from({ length: 8 }, (_, i) => i / 8);

/**
 * The slot of the screw as it stands (black) and as it should stand (pale), in eighths of a turn.
 * The brass sector is the part-turn; whole turns are said in words beside it.
 */
export function ScrewDial({
  position,
  turns,
  size = 116,
}: {
  readonly position: number;
  readonly turns: number;
  readonly size?: number;
}) {
  const ink = useInk();
  const r = size / 2;
  const hub = r * 0.56;
  const at = (share: number, radius: number) =>
    [r + radius * Math.sin(share * TAU), r - radius * Math.cos(share * TAU)] as const;
  const part = turns % 1;
  const sweep = part === 0 && turns !== 0 ? Math.sign(turns) * 0.9999 : part;
  const [x0, y0] = at(position, r - 2);
  const [x1, y1] = at(position + sweep, r - 2);
  const sector = `M${r},${r} L${x0},${y0} A${r - 2},${r - 2} 0 ${Math.abs(sweep) > 0.5 ? 1 : 0} ${sweep > 0 ? 1 : 0} ${x1},${y1} Z`;
  const slot = (share: number, colour: string, width: number) => {
    const [ax, ay] = at(share, hub * 0.74);
    const [bx, by] = at(share + 0.5, hub * 0.74);
    return (
      <Line
        x1={ax}
        y1={ay}
        x2={bx}
        y2={by}
        stroke={colour}
        strokeWidth={width}
        strokeLinecap="round"
      />
    );
  };
  return (
    <Svg width={size} height={size}>
      <Circle cx={r} cy={r} r={r - 2} fill={ink.brassSoft} />
      {turns === 0 ? null : <Path d={sector} fill={ink.brassMark} opacity={0.6} />}
      {EIGHTHS.map((share) => {
        const [ax, ay] = at(share, r - 3);
        const [bx, by] = at(share, r - (share % 0.25 === 0 ? 14 : 10));
        return (
          <Line key={share} x1={ax} y1={ay} x2={bx} y2={by} stroke={ink.brass} strokeWidth={2} />
        );
      })}
      <Circle cx={r} cy={r} r={hub} fill={ink.card} stroke={ink.color} strokeWidth={3} />
      <G opacity={0.45}>{slot(position + turns, ink.muted, 11)}</G>
      {slot(position, ink.color, 11)}
      {turns === 0 ? null : (
        <TurnArrow x={size - 13} y={13} radius={8} turns={turns} colour={ink.brass} />
      )}
    </Svg>
  );
}
