import { judgingGauge, type Drift, type Valve, type ValveVisit } from '@holvek/core';
import { useState } from 'react';
import Svg, { Circle, G, Line, Path, Rect, Text } from 'react-native-svg';
import { View } from '@/ui/kit';
import { useUnits } from '@/units/use-units';
import { useInk } from '@/ui/use-ink';

const DAY = 86_400_000;
const HEIGHT = 170;
/** px to the left of a point that its words need. */
const ROOM_FOR_WORDS = 90;

/** Found and left at each visit: filled is left, open is found; the dashed line is where it is heading. */
export function HistoryChart({
  valve,
  sheets,
  drift,
}: {
  readonly valve: Valve;
  readonly sheets: readonly ValveVisit[];
  readonly drift: Drift | undefined;
}) {
  const [width, setWidth] = useState(320);
  const ink = useInk();
  const { set_point_pa: target, tolerance_pa: tolerance } = valve.target;
  const visits = visitsOf(sheets);
  const last = visits.at(-1);
  const ahead = aheadOf(last, drift);
  const { x, y } = planOf(visits, ahead, valve.target, width);
  return (
    <View
      onLayout={({ nativeEvent }) => setWidth(Math.max(220, nativeEvent.layout.width))}
      role="img"
      aria-label={`Found and left over ${visits.length} visits`}
    >
      <Svg width={width} height={HEIGHT}>
        <Rect
          x={0}
          width={width}
          y={y(target + tolerance)}
          height={y(target - tolerance) - y(target + tolerance)}
          fill={ink.lane}
        />
        {visits.slice(1).map((visit, i) => {
          const before = visits[i]!;
          return visit.found === null ? null : (
            <Line
              key={visit.at}
              x1={x(before.at)}
              y1={y(before.left)}
              x2={x(visit.at)}
              y2={y(visit.found)}
              stroke={ink.color}
              strokeWidth={2.5}
            />
          );
        })}
        {ahead && last ? (
          <Path
            d={`M${x(last.at)},${y(last.left)} L${x(ahead.at)},${y(ahead.value)}`}
            stroke={ink.brassMark}
            strokeWidth={2.5}
            strokeDasharray="3 5"
          />
        ) : null}
        {visits.map((visit) => (
          <VisitMark
            key={visit.at}
            visit={visit}
            target={valve.target}
            plan={{ x, y }}
            isLast={visit === last}
          />
        ))}
      </Svg>
    </View>
  );
}

type Visit = {
  readonly at: number;
  readonly found: number | null;
  readonly left: number;
  /** Division of the gauge that judged. */
  readonly step: number | undefined;
};
type Ahead = { readonly at: number; readonly value: number };
type Plan = { readonly x: (at: number) => number; readonly y: (pa: number) => number };

const visitsOf = (sheets: readonly ValveVisit[]): readonly Visit[] =>
  sheets.slice(-6).flatMap(({ body }) => {
    const setting = body.settings[0];
    if (!setting) return [];
    return [
      {
        at: body.signed_at_ms,
        found: setting.as_found_pa,
        left: setting.as_left_pa,
        step: judgingGauge(body)?.resolution_pa,
      },
    ];
  });

/** Where it will stand in a year. */
const aheadOf = (last: Visit | undefined, drift: Drift | undefined): Ahead | undefined =>
  last && drift?.isDrifting
    ? { at: last.at + 365 * DAY, value: last.left + drift.perDay * 365 }
    : undefined;

function planOf(
  visits: readonly Visit[],
  ahead: Ahead | undefined,
  { set_point_pa: target, tolerance_pa: tolerance }: Valve['target'],
  width: number,
): Plan {
  const values = [
    target - 2 * tolerance,
    target + 2 * tolerance,
    ...visits.flatMap(({ found, left }) => [found ?? left, left]),
    ...(ahead ? [ahead.value] : []),
  ];
  const low = Math.min(...values);
  const high = Math.max(...values);
  const first = visits[0]?.at ?? 0;
  const end = Math.max(ahead?.at ?? 0, visits.at(-1)?.at ?? 1, first + 1);
  return {
    x: (at) => 22 + ((width - 62) * (at - first)) / (end - first),
    y: (pa) => 12 + ((HEIGHT - 46) * (high - pa)) / (high - low),
  };
}

function VisitMark({
  visit: { at, found, left, step },
  target: { set_point_pa: target, tolerance_pa: tolerance },
  plan: { x, y },
  isLast,
}: {
  readonly visit: Visit;
  readonly target: Valve['target'];
  readonly plan: Plan;
  readonly isLast: boolean;
}) {
  const units = useUnits();
  const ink = useInk();
  const isCramped = x(at) < ROOM_FOR_WORDS;
  return (
    <G>
      {found === null ? null : (
        <G>
          <Line
            x1={x(at)}
            x2={x(at)}
            y1={y(found)}
            y2={y(left)}
            stroke={ink.brassMark}
            strokeWidth={2}
          />
          <Circle
            cx={x(at)}
            cy={y(found)}
            r={5.5}
            fill={ink.card}
            stroke={Math.abs(found - target) > tolerance ? ink.vermilion : ink.color}
            strokeWidth={2.5}
          />
        </G>
      )}
      <Circle cx={x(at)} cy={y(left)} r={5.5} fill={ink.color} />
      <Text
        x={x(at)}
        y={HEIGHT - 6}
        fontSize={12}
        textAnchor="middle"
        fill={ink.muted}
        fontFamily="AtkinsonHyperlegibleMono_400Regular"
      >
        {new Date(at).getFullYear()}
      </Text>
      {found !== null && isLast ? (
        <Text
          x={x(at) + (isCramped ? 9 : -9)}
          y={Math.max(12, y(found) - 9)}
          fontSize={12}
          textAnchor={isCramped ? 'start' : 'end'}
          fill={ink.muted}
          fontFamily="AtkinsonHyperlegibleNext_400Regular"
        >
          {`found ${units.figure(found, step)}`}
        </Text>
      ) : null}
    </G>
  );
}
