import type { ReactNode } from 'react';
import { Circle, G, Line, Path, Rect } from 'react-native-svg';
import type { SchemeSymbol } from '@/family/scheme';
import type { Ink } from '@/ui/use-ink';

type Look = { readonly edge: string; readonly fill: string; readonly ink: Ink };

const bowTie = ({ edge, fill }: Look): ReactNode => (
  <Path
    d="M-12,-8 V8 L12,-8 V8 Z"
    fill={fill}
    stroke={edge}
    strokeWidth={2.5}
    strokeLinejoin="round"
  />
);
const box = ({ edge, fill }: Look, wide: number, high: number): ReactNode => (
  <Rect
    x={-wide / 2}
    y={-high / 2}
    width={wide}
    height={high}
    rx={3}
    fill={fill}
    stroke={edge}
    strokeWidth={2.5}
  />
);
const disc = ({ edge, fill }: Look, r: number): ReactNode => (
  <Circle r={r} fill={fill} stroke={edge} strokeWidth={2.5} />
);
const stroke = ({ edge }: Look, d: string, width = 2.5): ReactNode => (
  <Path
    d={d}
    fill="none"
    stroke={edge}
    strokeWidth={width}
    strokeLinejoin="round"
    strokeLinecap="round"
  />
);
const spring = (look: Look, from: number): ReactNode =>
  stroke(look, `M0,${from} l-5,-3 l10,-4 l-10,-4 l10,-4 l-5,-3`, 2);

/** Each symbol round its own middle. */
const drawn: Readonly<Record<SchemeSymbol, (look: Look) => ReactNode>> = {
  pump: (look) => (
    <>
      {disc(look, 14)}
      <Path d="M-6,2 L6,2 L0,-11 Z" fill={look.edge} />
    </>
  ),
  motor: (look) => (
    <>
      {disc(look, 14)}
      <Path d="M-6,-2 L6,-2 L0,11 Z" fill={look.edge} />
    </>
  ),
  tank: (look) => stroke(look, 'M-76,-10 V8 H76 V-10'),
  relief: (look) => (
    <>
      {box(look, 20, 20)}
      {stroke(look, 'M0,7 V-5 M-3,-2 L0,-6 L3,-2', 2)}
      {spring(look, -10)}
    </>
  ),
  compensator: (look) => (
    <>
      {box(look, 20, 16)}
      {spring(look, -8)}
    </>
  ),
  directional: (look) => (
    <>
      {box(look, 78, 24)}
      {stroke(look, 'M-13,-12 V12 M13,-12 V12', 2)}
      {stroke(look, 'M-32,8 L-20,-8 M-20,8 L-32,-8 M-6,-8 V8 M6,8 V-8 M20,-8 V8 M32,8 V-8', 2)}
    </>
  ),
  cock: bowTie,
  throttle: (look) => (
    <>
      {bowTie(look)}
      {stroke(look, 'M-8,12 L8,-12', 2)}
    </>
  ),
  valve: (look) => (
    <>
      {bowTie(look)}
      {stroke(look, 'M0,0 V-14 M-8,-14 H8')}
    </>
  ),
  regulator: (look) => (
    <>
      {bowTie(look)}
      {stroke(look, 'M0,0 V-12')}
      <Path
        d="M-10,-11 A10,10 0 0 1 10,-11 Z"
        fill={look.fill}
        stroke={look.edge}
        strokeWidth={2.5}
      />
    </>
  ),
  gauge: (look) => (
    <>
      {disc(look, 11)}
      {stroke(look, 'M0,0 L6,-6', 2)}
    </>
  ),
  orifice: (look) => stroke(look, 'M0,-12 V-3 M0,12 V3', 4),
  burner: (look) => (
    <>
      <Path d="M-10,10 L10,10 L7,0 L-7,0 Z" fill={look.fill} stroke={look.edge} strokeWidth={2.5} />
      <Path d="M0,-3 C-9,-8 -4,-14 0,-22 C4,-14 9,-8 0,-3 Z" fill={look.ink.brassMark} />
    </>
  ),
  spark: (look) => stroke(look, 'M4,-11 L-4,0 H4 L-4,11'),
  eye: (look) => (
    <>
      {disc(look, 10)}
      <Circle r={4} fill={look.edge} />
    </>
  ),
  coil: (look) => (
    <>
      {box(look, 30, 30)}
      {stroke(look, 'M0,-15 V-10 L-8,-6 L8,-1 L-8,4 L8,9 L0,12 V15', 2)}
    </>
  ),
  compressor: (look) => (
    <>
      {disc(look, 15)}
      {stroke(look, 'M-11,10 L-5,-14 M11,10 L5,-14', 2)}
    </>
  ),
  condenser: (look) => (
    <>
      {box(look, 46, 22)}
      {stroke(look, 'M-23,0 H-16 L-10,-6 L-2,6 L6,-6 L14,6 L18,0 H23', 2)}
    </>
  ),
  vessel: (look) => (
    <Rect
      x={-22}
      y={-12}
      width={44}
      height={24}
      rx={12}
      fill={look.fill}
      stroke={look.edge}
      strokeWidth={2.5}
    />
  ),
  expansion: (look) => (
    <Path
      d="M-8,-12 H8 L-8,12 H8 Z"
      fill={look.fill}
      stroke={look.edge}
      strokeWidth={2.5}
      strokeLinejoin="round"
    />
  ),
  bellows: (look) => (
    <>
      {box(look, 26, 32)}
      {stroke(look, 'M-13,-8 L13,-4 M-13,0 L13,4 M-13,8 L13,12', 2)}
    </>
  ),
  screw: (look) => (
    <>
      {disc(look, 8)}
      {stroke(look, 'M-4,4 L4,-4')}
    </>
  ),
  link: (look) => <Circle r={5} fill={look.fill} stroke={look.edge} strokeWidth={2.5} />,
  pivot: (look) => (
    <>
      <Circle r={4} fill={look.edge} />
      {stroke(look, 'M0,0 L-6,9 H6 Z', 2)}
    </>
  ),
  pointer: (look) => (
    <>
      {stroke(look, 'M-20,6 A22,22 0 0 1 20,6')}
      {stroke(look, 'M0,12 L10,-12', 3)}
    </>
  ),
  nozzle: (look) => (
    <Path
      d="M-12,10 H12 L5,-6 H-5 Z"
      fill={look.fill}
      stroke={look.edge}
      strokeWidth={2.5}
      strokeLinejoin="round"
    />
  ),
  actuator: (look) => (
    <Path d="M-24,10 A24,22 0 0 1 24,10 Z" fill={look.fill} stroke={look.edge} strokeWidth={2.5} />
  ),
  converter: (look) => (
    <>
      {box(look, 30, 22)}
      {stroke(look, 'M-9,0 Q-4,-9 0,0 T9,0', 2)}
    </>
  ),
  pilot: (look) => (
    <>
      {box(look, 26, 18)}
      {stroke(look, 'M-13,9 V14 M13,9 V14', 2)}
      {stroke(look, 'M0,-9 l-4,-2 l8,-2 l-8,-3 l4,-2', 2)}
    </>
  ),
  selector: (look) => (
    <>
      {disc(look, 11)}
      {stroke(look, 'M0,-7 V7 M0,0 H7', 2)}
    </>
  ),
  contact: (look) => (
    <>
      {stroke(look, 'M-10,8 H-4 L8,-6 M6,8 H12')}
      <Circle cx={-4} cy={8} r={2.5} fill={look.edge} />
      <Circle cx={6} cy={8} r={2.5} fill={look.edge} />
    </>
  ),
};

/** What is moved now, and what rules the gauge, is lit; so is the gauge itself. */
export type Light = 'moved' | 'rules' | undefined;

export function SchemeMark({
  symbol,
  at: [x, y],
  light,
  isShut,
  ink,
}: {
  readonly symbol: SchemeSymbol;
  readonly at: readonly [number, number];
  readonly light: Light;
  /** A fitting that stands shut is filled. */
  readonly isShut: boolean;
  readonly ink: Ink;
}) {
  const edge = light === 'moved' ? ink.brass : light === 'rules' ? ink.verdigris : ink.color;
  const fill = isShut ? edge : light === 'moved' ? ink.brassSoft : light ? ink.lane : ink.card;
  return (
    <G transform={`translate(${x},${y})`}>
      {light ? (
        <Circle r={24} fill={light === 'moved' ? ink.brassSoft : ink.lane} opacity={0.7} />
      ) : null}
      {drawn[symbol]({ edge, fill, ink })}
    </G>
  );
}

/** A pipe, a sensing line, an arm. */
export const SchemeWay = ({
  through,
  kind = 'pipe',
  ink,
}: {
  readonly through: readonly (readonly [number, number])[];
  readonly kind?: 'pipe' | 'sense' | 'arm' | undefined;
  readonly ink: Ink;
}) => (
  <>
    {through.slice(1).map(([x, y], i) => (
      <Line
        key={`${x} ${y}`}
        x1={through[i]![0]}
        y1={through[i]![1]}
        x2={x}
        y2={y}
        stroke={kind === 'sense' ? ink.muted : ink.color}
        strokeWidth={kind === 'arm' ? 4 : kind === 'sense' ? 1.5 : 3}
        strokeLinecap="round"
        {...(kind === 'sense' ? { strokeDasharray: '4 3' } : {})}
      />
    ))}
  </>
);
