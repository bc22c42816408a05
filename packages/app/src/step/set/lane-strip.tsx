import { laneSpan, type NextMove, type SettingView } from '@holvek/core';
import { useState } from 'react';
import Svg, { Circle, G, Line, Path, Rect, Text, type TextProps } from 'react-native-svg';
import { View } from '@/ui/kit';
import { niceTicks } from '@/ui/nice-ticks';
import { useUnits } from '@/units/use-units';
import { useInk } from '@/ui/use-ink';
import { TurnLabel } from '../parts/turn-arrow';

const STRONG = 'AtkinsonHyperlegibleNext_700Bold';
const FIGURES = 'AtkinsonHyperlegibleMono_400Regular';
const TOP = 44;
const BOTTOM = 26;
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
  const ahead = move && 'predicted' in move ? move : undefined;
  const foretold = ahead ? [ahead.predicted.low, ahead.predicted.high] : [];
  const readings = shown.map(({ pressure }) => pressure);
  const { lowest, highest, hasLimit } = laneSpan(aim, [...readings, ...foretold]);
  const x = (pa: number) =>
    14 + ((width - 28) * (Math.min(highest, Math.max(lowest, pa)) - lowest)) / (highest - lowest);
  const limitAt = hasLimit ? x(aim.limit) : width - 5;
  const floor = height - BOTTOM;
  const step = Math.min(
    56,
    (floor - TOP - 26) / Math.max(1, shown.length - 1 + (move && move.kind !== 'done' ? 1 : 0)),
  );
  const y = (i: number) => TOP + 12 + i * Math.max(step, 18);
  const last = shown.at(-1);
  const laneMiddle = (x(aim.lower) + x(aim.upper)) / 2;
  const laneText = `lane ${units.figure(aim.target, resolution)}\u00A0±\u00A0${plain.figure((aim.upper - aim.lower) / 2)}`;
  const limitText = `${units.figure(aim.limit, resolution)}${hasLimit ? '' : ' ›'}`;
  // Over its lane, but never on the limit's figure nor over the edge.
  const half = (laneText.length * LETTER) / 2;
  const room = width - 4 - limitText.length * DIGIT - 10 - half;
  const laneTextAt = Math.max(half + 2, Math.min(laneMiddle, room));
  return (
    <View
      onLayout={({ nativeEvent }) => setWidth(Math.max(240, nativeEvent.layout.width))}
      role="img"
      aria-label={describe(dots, aim, units)}
      testID="lane-strip"
    >
      <Svg width={width} height={height}>
        <Rect
          x={x(aim.lower)}
          y={22}
          width={Math.max(6, x(aim.upper) - x(aim.lower))}
          height={floor - 22}
          fill={ink.lane}
        />
        <Rect
          x={limitAt}
          y={22}
          width={Math.max(0, width - limitAt)}
          height={floor - 22}
          fill={ink.vermilionSoft}
        />
        <Line
          x1={laneMiddle}
          x2={laneMiddle}
          y1={22}
          y2={floor}
          stroke={ink.verdigris}
          strokeWidth={2}
          strokeDasharray="2 5"
        />
        <Text
          x={laneTextAt}
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
        {live === undefined ? null : (
          <Path d={`M${x(live)},${floor - 9} l6,9 l-12,0 Z`} fill={ink.slate} />
        )}
        {shown.slice(1).map((dot, i) => (
          <G key={`${dot.atMs}-${i}`}>
            <Path
              d={walk(x(shown[i]!.pressure), y(i), x(dot.pressure), y(i + 1))}
              stroke={ink.color}
              strokeWidth={3}
              fill="none"
            />
            {dot.turns ? (
              <TurnLabel
                x={turnAt(x(shown[i]!.pressure), x(dot.pressure), width)}
                y={(y(i) + y(i + 1)) / 2 - 3}
                turns={dot.turns}
                colour={ink.color}
                font={STRONG}
              />
            ) : null}
          </G>
        ))}
        {ahead && last ? (
          <G>
            <Rect
              x={x(ahead.predicted.low)}
              y={y(shown.length) - 6}
              width={Math.max(8, x(ahead.predicted.high) - x(ahead.predicted.low))}
              height={12}
              rx={6}
              fill={ink.brassMark}
              opacity={0.32}
            />
            <Path
              d={walk(
                x(last.pressure),
                y(shown.length - 1),
                x(ahead.predicted.mean),
                y(shown.length),
              )}
              stroke={ink.brassMark}
              strokeWidth={3}
              strokeDasharray="3 5"
              fill="none"
            />
            <TurnLabel
              x={turnAt(x(last.pressure), x(ahead.predicted.mean), width)}
              y={(y(shown.length - 1) + y(shown.length)) / 2 - 3}
              turns={ahead.turns}
              colour={ink.brass}
              font={STRONG}
            />
            <Circle
              cx={x(ahead.predicted.mean)}
              cy={y(shown.length)}
              r={7}
              fill={ink.card}
              stroke={ink.brassMark}
              strokeWidth={3}
            />
            <ClearText
              halo={ink.background}
              x={Math.min(width - 4, x(ahead.predicted.high) + 34)}
              y={Math.min(floor - 6, y(shown.length) + 22)}
              textAnchor="end"
              fontSize={13}
              fontFamily={FIGURES}
              fill={ink.brass}
            >
              {`${units.figure(Math.max(0, ahead.predicted.low), resolution)} to ${units.figure(ahead.predicted.high, resolution)}`}
            </ClearText>
          </G>
        ) : null}
        {shown.map((dot, i) => (
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
        ))}
      </Svg>
    </View>
  );
}

type ReadingProps = {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly isLast: boolean;
  /** The next move goes down from here. */
  readonly goesBack: boolean;
  readonly inControl: boolean;
  readonly children: string;
};

/** A reading and its figure, the last one large. */
function Reading({ x, y, width, isLast, goesBack, inControl, children }: ReadingProps) {
  const ink = useInk();
  const onRight = x < width - 74;
  // Away from where the next move goes, whose turns are written there.
  const isRight = isLast ? onRight : (goesBack && onRight) || x < 48;
  const aside = isLast ? 14 : 7;
  return (
    <G>
      <Circle
        cx={x}
        cy={y}
        r={isLast ? 9 : 6}
        fill={inControl ? ink.color : ink.card}
        stroke={isLast ? ink.card : ink.color}
        strokeWidth={inControl ? 2 : 3}
      />
      <ClearText
        halo={ink.background}
        x={x + (isRight ? aside : -aside)}
        y={isLast ? y + 5 : y + 19}
        textAnchor={isRight ? 'start' : 'end'}
        fontSize={isLast ? 16 : 13}
        fontFamily={isLast ? STRONG : FIGURES}
        fill={isLast ? ink.color : ink.muted}
      >
        {children}
      </ClearText>
    </G>
  );
}

/** Figures that stay readable where a line runs behind them. */
const ClearText = ({ halo, ...props }: TextProps & { readonly halo: string }) => (
  <>
    <Text {...props} stroke={halo} strokeWidth={5} strokeLinejoin="round" aria-hidden />
    <Text {...props} />
  </>
);

/** A step that leaves level and arrives level, so that the eye follows it down. */
const walk = (x0: number, y0: number, x1: number, y1: number) => {
  const middle = (x0 + x1) / 2;
  return `M${x0},${y0} C${middle},${y0} ${middle},${y1} ${x1},${y1}`;
};
const turnAt = (x0: number, x1: number, width: number) =>
  Math.min(width - 60, Math.max(12, (x0 + x1) / 2 + 8));

const describe = (
  dots: SettingView['dots'],
  aim: Props['aim'],
  units: ReturnType<typeof useUnits>,
) =>
  `Readings ${dots.map(({ pressure }) => units.figure(pressure)).join(', ')}; target ${units.withUnit(aim.target)}`;
