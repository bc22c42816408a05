import { G, Line, Path, Rect, Text } from 'react-native-svg';
import { useInk } from '@/ui/use-ink';

const BODY = 'AtkinsonHyperlegibleNext_400Regular';
const STRONG = 'AtkinsonHyperlegibleNext_700Bold';

/** px that a picture is wide and high. */
export const WIDE = 340;
export const HIGH = 286;

/** What a part is called, with a hair line to it. */
export function PartName({
  x,
  y,
  to,
  children,
  isRight = false,
}: {
  readonly x: number;
  readonly y: number;
  readonly to: readonly [number, number];
  readonly children: string;
  /** It stands to the right of its part. */
  readonly isRight?: boolean;
}) {
  const ink = useInk();
  return (
    <G>
      <Line x1={x} y1={y} x2={to[0]} y2={to[1]} stroke={ink.muted} strokeWidth={1} />
      <Text
        x={isRight ? x + 3 : x - 3}
        y={y + 4}
        fontSize={12}
        fontFamily={BODY}
        fill={ink.muted}
        textAnchor={isRight ? 'start' : 'end'}
      >
        {children}
      </Text>
    </G>
  );
}

/** Coils between two heights: closer together as it is pressed. */
export function Coils({
  x,
  top,
  bottom,
  width = 44,
}: {
  readonly x: number;
  readonly top: number;
  readonly bottom: number;
  readonly width?: number;
}) {
  const ink = useInk();
  const turns = 6;
  const pitch = (bottom - top) / turns;
  const points = Array.from({ length: turns * 2 + 1 }, (_, i) => {
    const side = i % 2 === 0 ? -1 : 1;
    return `${i === 0 ? 'M' : 'L'}${x + (side * width) / 2},${top + (i * pitch) / 2}`;
  });
  return (
    <Path
      d={points.join(' ')}
      stroke={ink.brassMark}
      strokeWidth={4}
      fill="none"
      strokeLinejoin="round"
    />
  );
}

/** A force as an arrow, as long as it is great, with its figure beside it. */
export function ForceArrow({
  x,
  y,
  length,
  isDown,
  tone,
  say,
}: {
  readonly x: number;
  /** Where it starts. */
  readonly y: number;
  readonly length: number;
  readonly isDown: boolean;
  /** Its figure and where it stands. */
  readonly say?: { readonly text: string; readonly x: number; readonly y: number };
  readonly tone: 'spring' | 'pressure';
}) {
  const ink = useInk();
  const colour = tone === 'spring' ? ink.brassMark : ink.slate;
  if (length < 2) return null;
  const way = isDown ? 1 : -1;
  const end = y + way * length;
  return (
    <G>
      <Line x1={x} y1={y} x2={x} y2={end} stroke={colour} strokeWidth={6} />
      <Path d={`M${x - 9},${end} L${x + 9},${end} L${x},${end + way * 11} Z`} fill={colour} />
      {say ? (
        <Text
          x={say.x}
          y={say.y}
          fontSize={11.5}
          fontFamily={STRONG}
          fill={tone === 'spring' ? ink.brass : ink.slate}
          textAnchor="end"
        >
          {say.text}
        </Text>
      ) : null}
    </G>
  );
}

/** Space that is filled with a pressure: the darker, the higher. */
export function Filled({
  d,
  pa,
  of = 920_000,
}: {
  readonly d: string;
  readonly pa: number;
  readonly of?: number;
}) {
  const ink = useInk();
  return <Path d={d} fill={ink.slate} opacity={0.1 + 0.75 * Math.min(1, pa / of)} />;
}

/** A wall of the body. */
export function Wall({ d }: { readonly d: string }) {
  const ink = useInk();
  return <Path d={d} stroke={ink.color} strokeWidth={4} fill="none" strokeLinejoin="round" />;
}

/** A bar of metal: stem, plate, plug. */
export function Metal({
  x,
  y,
  width,
  height,
  isBad = false,
}: {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly isBad?: boolean;
}) {
  const ink = useInk();
  return (
    <Rect
      x={x}
      y={y}
      width={width}
      height={height}
      rx={2}
      fill={isBad ? ink.vermilion : ink.color}
    />
  );
}

/** A diaphragm between two walls: its plate goes up and down, its rim does not. */
export function Diaphragm({
  left,
  right,
  rim,
  plate,
  isTorn = false,
}: {
  readonly left: number;
  readonly right: number;
  readonly rim: number;
  readonly plate: number;
  readonly isTorn?: boolean;
}) {
  const ink = useInk();
  const inner = (right - left) * 0.27;
  const sag = plate + 9;
  return (
    <G>
      <Path
        d={[
          `M${left},${rim}`,
          `Q${left + inner / 2},${sag} ${left + inner},${plate}`,
          `L${right - inner},${plate}`,
          `Q${right - inner / 2},${sag} ${right},${rim}`,
        ].join(' ')}
        stroke={ink.vermilion}
        strokeWidth={4}
        fill="none"
        {...(isTorn ? { strokeDasharray: '14 7' } : {})}
      />
    </G>
  );
}

/** Grains on a seat. */
export function Grain({ x, y }: { readonly x: number; readonly y: number }) {
  const ink = useInk();
  return <Path d={`M${x - 5},${y} l5,-6 l5,6 l-5,5 Z`} fill={ink.vermilion} />;
}

/** What blows out into the open: three strokes. */
export function Blow({ x, y }: { readonly x: number; readonly y: number }) {
  const ink = useInk();
  return (
    <Path
      d={`M${x},${y} h18 M${x},${y - 7} l16,-5 M${x},${y + 7} l16,5`}
      stroke={ink.vermilion}
      strokeWidth={3}
      strokeLinecap="round"
    />
  );
}
