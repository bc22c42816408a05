import { G, Path, Text } from 'react-native-svg';
import { printTurns } from '@holvek/core';

const TAU = Math.PI * 2;

/** An open circle with an arrow head, the way the screw goes. */
export function TurnArrow({
  x,
  y,
  radius,
  turns,
  colour,
}: {
  readonly x: number;
  readonly y: number;
  readonly radius: number;
  readonly turns: number;
  readonly colour: string;
}) {
  const way = turns >= 0 ? 1 : -1;
  const at = (share: number) =>
    [x + radius * Math.sin(way * share * TAU), y - radius * Math.cos(way * share * TAU)] as const;
  const [x0, y0] = at(0.08);
  const [x1, y1] = at(0.8);
  const tangent = way * 0.8 * TAU;
  const [dx, dy] = [Math.cos(tangent) * way, Math.sin(tangent) * way];
  const head = radius * 0.95;
  const point = (along: number, across: number) =>
    `${x1 + dx * along - dy * across},${y1 + dy * along + dx * across}`;
  return (
    <G>
      <Path
        d={`M${x0},${y0} A${radius},${radius} 0 1 ${way > 0 ? 1 : 0} ${x1},${y1}`}
        stroke={colour}
        strokeWidth={radius * 0.32}
        fill="none"
      />
      <Path
        d={`M${point(head, 0)} L${point(-head * 0.3, head * 0.8)} L${point(-head * 0.3, -head * 0.8)} Z`}
        fill={colour}
      />
    </G>
  );
}

/** The arrow and how far, as it stands between two dots of the lane strip. */
export const TurnLabel = ({
  x,
  y,
  turns,
  colour,
  font,
}: {
  readonly x: number;
  readonly y: number;
  readonly turns: number;
  readonly colour: string;
  readonly font: string;
}) => (
  <G>
    <TurnArrow x={x} y={y - 4} radius={5.5} turns={turns} colour={colour} />
    <Text x={x + 11} y={y} fontSize={13} fill={colour} fontFamily={font}>
      {printTurns(turns)}
    </Text>
  </G>
);
