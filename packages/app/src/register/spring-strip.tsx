import type { Spring, Valve } from '@holvek/core';
import { adjusterPlate, adjustersOf, ratingOf, targetOf } from '@holvek/core';
import Svg, { G, Line, Path, Rect, Text } from 'react-native-svg';
import { useUnitsOf } from '@/units/use-units';
import { useInk } from '@/ui/use-ink';

const WIDTH = 340;
const ROW = 26;
const TOP = 24;

/** The springs of the chart against what must be held, its limit and the rating of its side. */
export function SpringStrip({
  valve,
  adjuster,
}: {
  readonly valve: Valve;
  readonly adjuster: string;
}) {
  const ink = useInk();
  const units = useUnitsOf()(valve);
  const spec = adjustersOf(valve.plate).find(({ id }) => id === adjuster);
  const target = targetOf(valve, adjuster);
  const own = adjusterPlate(valve.plate, adjuster);
  if (!spec || !target || own.springs.length === 0) return null;
  const sign = target.set_point_pa < 0 ? -1 : 1;
  const rating = Math.abs(ratingOf(valve.plate, spec.role));
  const most = Math.max(rating, ...own.springs.map(({ to_pa }) => to_pa)) * 1.05;
  const x = (pa: number) => 4 + (Math.max(0, Math.min(pa, most)) / most) * (WIDTH - 8);
  const set = sign * target.set_point_pa;
  const limit = sign * target.limit_pa;
  const bottom = TOP + own.springs.length * ROW;
  const said = own.springs.map(
    ({ colour, from_pa, to_pa }) =>
      `${colour} ${units.figure(from_pa)} to ${units.withUnit(to_pa)}`,
  );
  return (
    <Svg
      width="100%"
      height={bottom + 6}
      viewBox={`0 0 ${WIDTH} ${bottom + 6}`}
      role="img"
      aria-label={`Springs: ${said.join(', ')}. Set at ${units.withUnit(target.set_point_pa)}.`}
    >
      <Rect
        x={x(set - target.tolerance_pa)}
        width={Math.max(3, x(set + target.tolerance_pa) - x(set - target.tolerance_pa))}
        y={TOP - 4}
        height={bottom - TOP + 8}
        fill={ink.lane}
      />
      {own.springs.map((spring, i) => (
        <SpringBar
          key={spring.colour}
          spring={spring}
          isIn={spring.colour === own.fitted_spring}
          x={x}
          y={TOP + i * ROW + ROW / 2}
        />
      ))}
      <Line
        x1={x(set)}
        x2={x(set)}
        y1={TOP - 6}
        y2={bottom + 4}
        stroke={ink.verdigris}
        strokeWidth={3}
      />
      <Line
        x1={x(limit)}
        x2={x(limit)}
        y1={TOP - 6}
        y2={bottom + 4}
        stroke={ink.vermilion}
        strokeWidth={2}
        strokeDasharray="5 3"
      />
      <Text x={x(set)} y={12} fontSize={13} fill={ink.color} textAnchor={anchorAt(x(set))}>
        {units.withUnit(target.set_point_pa)}
      </Text>
    </Svg>
  );
}

type BarProps = {
  readonly spring: Spring;
  readonly isIn: boolean;
  readonly x: (pa: number) => number;
  readonly y: number;
};

/** A spring from end to end, with its colour's name on the side where there is room. */
function SpringBar({ spring: { colour, from_pa, to_pa }, isIn, x, y }: BarProps) {
  const ink = useInk();
  const isLeft = x(from_pa) > WIDTH / 3;
  return (
    <G>
      <Path
        d={`M${x(from_pa)},${y} L${x(to_pa)},${y}`}
        stroke={isIn ? ink.brassMark : ink.line}
        strokeWidth={isIn ? 9 : 5}
        strokeLinecap="round"
      />
      <Text
        x={isLeft ? x(from_pa) - 10 : x(to_pa) + 10}
        y={y + 4}
        fontSize={12}
        fill={isIn ? ink.color : ink.muted}
        textAnchor={isLeft ? 'end' : 'start'}
      >
        {isIn ? `${colour}, in` : colour}
      </Text>
    </G>
  );
}

const anchorAt = (x: number) => (x < 40 ? 'start' : x > WIDTH - 60 ? 'end' : 'middle');
