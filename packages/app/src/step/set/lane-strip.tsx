import type { NextMove, SettingView } from '@holvek/core';
import { useState } from 'react';
import Svg, { Circle, G, Line, Path, Rect, Text } from 'react-native-svg';
import { View } from '@/ui/kit';
import { niceTicks } from '@/ui/nice-ticks';
import { useUnits } from '@/units/use-units';
import { useInk } from '@/ui/use-ink';
import { ClearText } from '../parts/clear-text';
import { TurnLabel } from '../parts/turn-arrow';
import { lanePlan, turnAt, walk, type Ahead, type LanePlan, type Shown } from './lane-plan';
import { FIGURES, Reading, STRONG } from './lane-reading';

const MOST_SHOWN = 5;
/** px that a letter and a digit of the two figures above the strip take. */
const LETTER = 7;
const DIGIT = 8;

type Props = {
  readonly aim: Pick<SettingView['aim'], 'target' | 'lower' | 'upper' | 'limit' | 'approach'>;
  /** −1 for a vacuum: pressures come by their size and are read with their sign. */
  readonly sign?: 1 | -1;
  readonly dots: SettingView['dots'];
  readonly move: NextMove | undefined;
  /** Where the gauge stands now, when it is linked. */
  readonly live: number | undefined;
  readonly resolution: number;
  readonly height?: number;
};

/**
 * Readings walk down the screen into the target lane; every turn is a step between two dots; the
 * next one is drawn ahead, dashed, with the interval that it is foretold to fall in.
 */
export function LaneStrip({ aim, sign = 1, dots, move, live, resolution, height = 250 }: Props) {
  const [width, setWidth] = useState(340);
  const plain = useUnits();
  const units = { ...plain, figure: (pa: number, step?: number) => plain.figure(sign * pa, step) };
  const ink = useInk();
  const shown = dots.slice(-MOST_SHOWN);
  const plan = lanePlan({ aim, shown, move, width, height });
  const drawn = { plan, shown, units, resolution };
  return (
    <View
      onLayout={({ nativeEvent }) => setWidth(Math.max(240, nativeEvent.layout.width))}
      role="img"
      aria-label={describe(dots, aim, units)}
      testID="lane-strip"
    >
      <Svg width={width} height={height}>
        <Lane
          aim={aim}
          plan={plan}
          laneText={`lane ${units.figure(aim.target, resolution)}\u00A0±\u00A0${plain.figure((aim.upper - aim.lower) / 2)}`}
          limitText={`${units.figure(aim.limit, resolution)}${plan.hasLimit ? '' : ' ›'}`}
        />
        <Scale plan={plan} sign={sign} height={height} />
        {live === undefined ? null : (
          <Path d={`M${plan.x(live)},${plan.floor - 9} l6,9 l-12,0 Z`} fill={ink.slate} />
        )}
        <Walk plan={plan} shown={shown} />
        {plan.ahead ? <NextTurn {...drawn} ahead={plan.ahead} /> : null}
        <Readings {...drawn} />
      </Svg>
    </View>
  );
}

type Drawn = {
  readonly plan: LanePlan;
  readonly shown: Shown;
  readonly units: ReturnType<typeof useUnits>;
  readonly resolution: number;
};

/** The lane with its figures, and what lies beyond the limit. */
function Lane({
  aim,
  plan: { x, width, floor, limitAt },
  laneText,
  limitText,
}: Pick<Props, 'aim'> & {
  readonly plan: LanePlan;
  readonly laneText: string;
  readonly limitText: string;
}) {
  const ink = useInk();
  const middle = (x(aim.lower) + x(aim.upper)) / 2;
  // Over its lane, but never on the limit's figure nor over the edge.
  const half = (laneText.length * LETTER) / 2;
  const room = width - 4 - limitText.length * DIGIT - 10 - half;
  const laneWidth = Math.max(6, x(aim.upper) - x(aim.lower));
  const beyond = Math.max(0, width - limitAt);
  return (
    <G>
      <Rect x={x(aim.lower)} y={22} width={laneWidth} height={floor - 22} fill={ink.lane} />
      <Rect x={limitAt} y={22} width={beyond} height={floor - 22} fill={ink.vermilionSoft} />
      <Line
        x1={middle}
        x2={middle}
        y1={22}
        y2={floor}
        stroke={ink.verdigris}
        strokeWidth={2}
        strokeDasharray="2 5"
      />
      <Text
        x={Math.max(half + 2, Math.min(middle, room))}
        y={14}
        textAnchor="middle"
        fontSize={13}
        fontFamily={STRONG}
        fill={ink.onLane}
      >
        {laneText}
      </Text>
      <Text
        x={width - 4}
        y={14}
        textAnchor="end"
        fontSize={13}
        fontFamily={FIGURES}
        fill={ink.vermilion}
      >
        {limitText}
      </Text>
    </G>
  );
}

function Scale({
  plan: { x, width, floor, lowest, highest },
  sign,
  height,
}: {
  readonly plan: LanePlan;
  readonly sign: 1 | -1;
  readonly height: number;
}) {
  const units = useUnits();
  const ink = useInk();
  return (
    <G>
      <Line x1={6} x2={width - 6} y1={floor} y2={floor} stroke={ink.line} strokeWidth={1.5} />
      {niceTicks(lowest, highest, units.pressure, 4).map(({ si, text }) => (
        <Text
          key={text}
          x={Math.min(width - (text.length * DIGIT) / 2, Math.max(14, x(si)))}
          y={height - 8}
          fontSize={12}
          fontFamily={FIGURES}
          fill={ink.muted}
          textAnchor="middle"
        >
          {sign < 0 && si !== 0 ? `−${text}` : text}
        </Text>
      ))}
    </G>
  );
}

/** From reading to reading, each step with the turn that made it. */
function Walk({ plan: { x, y, width }, shown }: Pick<Drawn, 'plan' | 'shown'>) {
  const ink = useInk();
  return shown.slice(1).map((dot, i) => {
    const from = x(shown[i]!.pressure);
    const to = x(dot.pressure);
    return (
      <G key={`${dot.atMs}-${i}`}>
        <Path d={walk(from, y(i), to, y(i + 1))} stroke={ink.color} strokeWidth={3} fill="none" />
        {dot.turns ? (
          <TurnLabel
            x={turnAt(from, to, width)}
            y={(y(i) + y(i + 1)) / 2 - 3}
            turns={dot.turns}
            colour={ink.color}
            font={STRONG}
          />
        ) : null}
      </G>
    );
  });
}

/** The turn that comes next, with the interval that it is foretold to fall in. */
function NextTurn({ plan, shown, units, resolution, ahead }: Drawn & { readonly ahead: Ahead }) {
  const ink = useInk();
  const { x, width, floor } = plan;
  const last = shown.at(-1);
  if (!last) return null;
  const from = { x: x(last.pressure), y: plan.y(shown.length - 1) };
  const to = { x: x(ahead.predicted.mean), y: plan.y(shown.length) };
  const { low, high } = ahead.predicted;
  return (
    <G>
      <Rect
        x={x(low)}
        y={to.y - 6}
        width={Math.max(8, x(high) - x(low))}
        height={12}
        rx={6}
        fill={ink.brassMark}
        opacity={0.32}
      />
      <Path
        d={walk(from.x, from.y, to.x, to.y)}
        stroke={ink.brassMark}
        strokeWidth={3}
        strokeDasharray="3 5"
        fill="none"
      />
      <TurnLabel
        x={turnAt(from.x, to.x, width)}
        y={(from.y + to.y) / 2 - 3}
        turns={ahead.turns}
        colour={ink.brass}
        font={STRONG}
      />
      <Circle cx={to.x} cy={to.y} r={7} fill={ink.card} stroke={ink.brassMark} strokeWidth={3} />
      <ClearText
        halo={ink.background}
        x={Math.min(width - 4, x(high) + 34)}
        y={Math.min(floor - 6, to.y + 22)}
        textAnchor="end"
        fontSize={13}
        fontFamily={FIGURES}
        fill={ink.brass}
      >
        {`${units.figure(Math.max(0, low), resolution)} to ${units.figure(high, resolution)}`}
      </ClearText>
    </G>
  );
}

const Readings = ({ plan: { x, y, width }, shown, units, resolution }: Drawn) =>
  shown.map((dot, i) => (
    <Reading
      key={`dot-${dot.atMs}-${i}`}
      x={x(dot.pressure)}
      y={y(i)}
      width={width}
      isLast={i === shown.length - 1}
      goesBack={(shown[i + 1]?.pressure ?? Infinity) < dot.pressure}
      inControl={dot.inControl}
    >
      {units.figure(dot.pressure, resolution)}
    </Reading>
  ));

const describe = (
  dots: SettingView['dots'],
  aim: Props['aim'],
  units: ReturnType<typeof useUnits>,
) =>
  `Readings ${dots.map(({ pressure }) => units.figure(pressure)).join(', ')}; target ${units.withUnit(aim.target)}`;
