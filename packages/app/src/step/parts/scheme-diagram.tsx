import type { Positions } from '@holvek/core';
import Svg, { G, Rect, Text } from 'react-native-svg';
import { SCHEME_WIDE, type Scheme, type SchemePart } from '@/family/scheme';
import { useDesk } from '@/desk/use-desk';
import { useInk } from '@/ui/use-ink';
import { View } from '@/ui/kit';
import { stateWord } from './state-word';
import { namesOf, stateUnder, type PlacedName } from './scheme-names';
import { SchemeMark, SchemeWay, type Light } from './scheme-symbols';

const BODY = 'AtkinsonHyperlegibleNext_400Regular';
const STRONG = 'AtkinsonHyperlegibleNext_700Bold';

/** A family’s own line: what the step moves is brass, what rules the gauge and the gauge are green. */
export function SchemeDiagram({
  scheme,
  next,
  ground = 'card',
}: {
  readonly scheme: Scheme;
  readonly next: Positions;
  /** What it is drawn on. */
  readonly ground?: 'card' | 'background';
}) {
  const { run, view } = useDesk();
  const ink = useInk();
  const step = view.step;
  const set = step && 'adjuster' in step ? step.adjuster : undefined;
  const side = run.adjusters.find(({ id }) => id === set)?.role;
  const stateOf = (key: string) => next[key] ?? run.positions[key];
  const lightOf = ({ fitting, adjuster, gauge }: SchemePart): Light => {
    if (fitting !== undefined && fitting in next && next[fitting] !== run.positions[fitting])
      return 'moved';
    if (adjuster !== undefined && adjuster === set) return 'moved';
    return gauge !== undefined && gauge === side ? 'rules' : undefined;
  };
  const isShut = ({ fitting }: SchemePart): boolean =>
    fitting !== undefined && (stateOf(fitting) === 0 || stateOf(fitting) === 'off');
  const fittings = scheme.parts.filter(({ fitting }) => fitting !== undefined);
  return (
    <View
      role="img"
      aria-label={fittings
        .map(({ name = '', fitting }) => `${name} ${stateWord(stateOf(fitting!))}`)
        .join(', ')}
      testID="scheme"
      width="100%"
      maxWidth={460}
      aspectRatio={SCHEME_WIDE / scheme.high}
      alignSelf="center"
    >
      <Svg width="100%" height="100%" viewBox={`0 0 ${SCHEME_WIDE} ${scheme.high}`}>
        {scheme.ways.map(({ through, kind }) => (
          <SchemeWay key={through.join()} through={through} kind={kind} ink={ink} />
        ))}
        {scheme.parts.map((part) => (
          <SchemeMark
            key={part.at.join()}
            symbol={part.symbol}
            at={part.at}
            light={lightOf(part)}
            isShut={isShut(part)}
            ink={ink}
          />
        ))}
        {namesOf(scheme).map((name) => (
          <SchemeName
            key={name.part.at.join()}
            name={name}
            light={lightOf(name.part)}
            state={name.part.fitting === undefined ? undefined : stateOf(name.part.fitting)}
            ground={ground}
          />
        ))}
      </Svg>
    </View>
  );
}

/** How it stands cannot be told by whether its mark is filled. */
const isNotSeen = (state: number | string): boolean =>
  typeof state === 'string' || (state > 0 && state < 1);

/** What a part is called; where it is moved, how it stands then. */
function SchemeName({
  name,
  light,
  state,
  ground,
}: {
  readonly name: PlacedName;
  readonly light: Light;
  readonly state: number | string | undefined;
  readonly ground: 'card' | 'background';
}) {
  const ink = useInk();
  const { text, left, top, width, high, x, y } = name;
  const colour = light === 'moved' ? ink.brass : light ? ink.verdigrisDeep : ink.muted;
  return (
    <G>
      <Rect x={left} y={top} width={width} height={high} fill={ink[ground]} opacity={0.85} />
      <Text
        x={x}
        y={y}
        fontSize={12}
        fontFamily={light ? STRONG : BODY}
        fill={colour}
        textAnchor="middle"
      >
        {text}
      </Text>
      {state !== undefined && (light === 'moved' || isNotSeen(state)) ? (
        <Text
          x={x}
          y={stateUnder(name).y}
          fontSize={12}
          fontFamily={STRONG}
          fill={light === 'moved' ? ink.brass : colour}
          textAnchor="middle"
        >
          {stateWord(state)}
        </Text>
      ) : null}
    </G>
  );
}
